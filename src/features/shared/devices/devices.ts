'use client';

import type { StruckKey } from '@/core/asked';
import { DeviceTrouble, type KeyDevice, type KeyMove } from './key-device';
import { type Words } from '@/features/shared/words/use-words';

/** A device that others move: the keys on the screen, and the one that only pretends. */
export interface MovedDevice extends KeyDevice {
  /** `atMs` is when it was meant, in ms of `performance.now()`; now, where nothing is said. */
  readonly move: (midi: number, press: KeyMove['press'], atMs?: number) => void;
}

function movedDevice(): MovedDevice {
  const listeners = new Set<(move: KeyMove) => void>();
  return {
    listen: (tell) => {
      listeners.add(tell);
      return Promise.resolve(() => listeners.delete(tell));
    },
    move: (midi, press, atMs = performance.now()) => listeners.forEach((tell) => tell({ midi, press, atMs })),
  };
}

/** The keys on the screen. */
export function screenKeys(): MovedDevice {
  return movedDevice();
}

/** A keyboard that is not there: it plays what it is told, for trying things without one. */
export interface SimulatedDevice extends MovedDevice {
  /** Plays keys one after the other, several in brackets together; resolves when the last is up. It begins at a time of `performance.now()`, or at once.
   * Each key is told with the time at which it was due: however busy the machine, it plays evenly. */
  readonly play: (keys: readonly (readonly number[])[], eachMs: number, fromMs?: number) => Promise<void>;
  /** Strikes keys at their own times, counted from a time of `performance.now()`; gives back how to stop. */
  readonly perform: (keys: readonly StruckKey[], fromMs: number) => () => void;
}

export function simulatedKeys(): SimulatedDevice {
  const device = movedDevice();
  return {
    ...device,
    play: async (keys, eachMs, fromMs = performance.now()) => {
      for (const [i, chord] of keys.entries()) {
        const downMs = fromMs + i * eachMs;
        const upMs = downMs + HELD * eachMs;
        await pause(downMs - performance.now());
        chord.forEach((midi) => device.move(midi, 'down', downMs));
        await pause(upMs - performance.now());
        chord.forEach((midi) => device.move(midi, 'up', upMs));
      }
    },
    perform: (keys, fromMs) => {
      const moves = keys
        .flatMap(({ midi, downMs, upMs }) => [
          { midi, press: 'down' as const, atMs: fromMs + downMs },
          { midi, press: 'up' as const, atMs: fromMs + upMs },
        ])
        .sort((a, b) => a.atMs - b.atMs);
      const timers = moves.map(({ midi, press, atMs }) =>
        setTimeout(() => device.move(midi, press, atMs), Math.max(0, atMs - performance.now())),
      );
      return () => timers.forEach(clearTimeout);
    },
  };
}

/** How much of its time a key is held. */
const HELD = 0.9;

function pause(ms: number): Promise<void> {
  return new Promise((go) => setTimeout(go, Math.max(0, ms)));
}

/** The computer's keys as piano keys, by their places: white ones in the row of A, black ones in the row above. */
const COMPUTER_KEYS = [
  'KeyA',
  'KeyW',
  'KeyS',
  'KeyE',
  'KeyD',
  'KeyF',
  'KeyT',
  'KeyG',
  'KeyY',
  'KeyH',
  'KeyU',
  'KeyJ',
  'KeyK',
  'KeyO',
  'KeyL',
  'KeyP',
  'Semicolon',
] as const;

/** Which of the computer's keys stands for a piano key, by its place on the keyboard; `lowest` is the key under A, as a MIDI number. */
export function computerKeyFor(lowest: number, midi: number): string | null {
  return COMPUTER_KEYS[midi - lowest] ?? null;
}

/** The computer's keys; `lowest` is the key under A, as a MIDI number. Keys held down do not repeat. */
export function computerKeys(lowest: number): KeyDevice {
  return {
    listen: (tell) => {
      const held = new Map<string, number>();
      const down = (event: KeyboardEvent): void => {
        const place = COMPUTER_KEYS.findIndex((code) => code === event.code);
        const isText =
          event.target instanceof HTMLElement && ['INPUT', 'TEXTAREA', 'SELECT'].includes(event.target.tagName);
        if (
          place < 0 ||
          isText ||
          event.repeat ||
          event.ctrlKey ||
          event.metaKey ||
          event.altKey ||
          held.has(event.code)
        )
          return;
        event.preventDefault();
        held.set(event.code, lowest + place);
        tell({ midi: lowest + place, press: 'down', atMs: performance.now() });
      };
      const up = (event: KeyboardEvent): void => {
        const midi = held.get(event.code);
        if (midi === undefined) return;
        held.delete(event.code);
        tell({ midi, press: 'up', atMs: performance.now() });
      };
      window.addEventListener('keydown', down);
      window.addEventListener('keyup', up);
      return Promise.resolve(() => {
        window.removeEventListener('keydown', down);
        window.removeEventListener('keyup', up);
      });
    },
  };
}

/** Status bytes of MIDI messages, without the channel. Source: MIDI 1.0 specification, table of channel voice messages, from memory. */
const NOTE_OFF = 0x80;
const NOTE_ON = 0x90;

/** All MIDI keyboards that are connected, also those that come later. `onPlug` is told when one is plugged in or out. */
export function midiKeys(w: Words, onPlug: (how: 'in' | 'out') => void = nothing): KeyDevice {
  return {
    listen: async (tell) => {
      if (!('requestMIDIAccess' in navigator))
        throw new DeviceTrouble(w.devices.thisBrowserDoesNotSpeak, w.devices.useKeysOnScreenOr);
      const access = await navigator.requestMIDIAccess().catch(() => {
        throw new DeviceTrouble(w.devices.browserWasNotAllowedTo, w.devices.allowMidiForThisPage);
      });
      if (access.inputs.size === 0)
        throw new DeviceTrouble(w.devices.noMidiKeyboardIsConnected, w.devices.connectItAndSwitchIt);
      const hear = (event: MIDIMessageEvent): void => {
        const [status = 0, midi = 0, speed = 0] = event.data ?? [];
        const kind = status & 0xf0;
        if (kind !== NOTE_ON && kind !== NOTE_OFF) return;
        // A note struck with no speed is a note let go.
        const press = kind === NOTE_ON && speed > 0 ? 'down' : 'up';
        tell({ midi, press, atMs: performance.now(), ...(press === 'down' ? { velocity: speed } : {}) });
      };
      const heard = new Set<MIDIInput>();
      const hearAll = (): void => {
        const there = [...access.inputs.values()].filter(({ state }) => state !== 'disconnected');
        for (const input of there.filter((one) => !heard.has(one))) {
          input.addEventListener('midimessage', hear);
          heard.add(input);
        }
      };
      const plugged = ({ port }: MIDIConnectionEvent): void => {
        if (port?.type !== 'input') return;
        hearAll();
        onPlug(port.state === 'connected' ? 'in' : 'out');
      };
      hearAll();
      access.addEventListener('statechange', plugged);
      return () => {
        access.removeEventListener('statechange', plugged);
        heard.forEach((input) => input.removeEventListener('midimessage', hear));
      };
    },
  };
}

function nothing(): void {
  // Whoever does not ask is not told.
}
