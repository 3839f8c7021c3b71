export default function tearDown() {
  globalThis.newThumbServer?.stop();
}
