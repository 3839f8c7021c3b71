/** How many requests may hold their files in memory at once. */
const MAX_AT_ONCE = 8;

let atWork = 0;

/** Lets a request in, or says that there are too many; `leave` must be called by whoever was let in. */
export function enter(): { readonly leave: () => void } | null {
  if (atWork >= MAX_AT_ONCE) return null;
  atWork += 1;
  let isInside = true;
  return {
    leave: () => {
      if (isInside) atWork -= 1;
      isInside = false;
    },
  };
}
