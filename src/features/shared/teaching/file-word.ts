/** A name as a part of a file's name. */
export function fileWord(name: string): string {
  return (
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'pupil'
  );
}
