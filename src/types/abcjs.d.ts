/** The part of abcjs that reads ABC, without what draws and plays it: a third of the whole. */
declare module 'abcjs/src/api/abc_tunebook.js' {
  const tunebook: { parseOnly(text: string): readonly unknown[] };
  export default tunebook;
}
