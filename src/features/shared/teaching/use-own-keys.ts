'use client';

import { useEffect, useState } from 'react';
import { ownKeysKnown } from '@/data';

/** In which key each piece stands, as far as the shelf was ever asked; nothing until that is read. */
export function useOwnKeys(): ReadonlyMap<string, string> {
  const [keys, setKeys] = useState<ReadonlyMap<string, string>>(NONE);
  useEffect(() => {
    let isWanted = true;
    void ownKeysKnown().then((known) => {
      if (isWanted) setKeys(known);
    });
    return () => {
      isWanted = false;
    };
  }, []);
  return keys;
}

const NONE: ReadonlyMap<string, string> = new Map();
