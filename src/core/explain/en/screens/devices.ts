export const devices = () => ({
  thisBrowserDoesNotSpeak: 'This browser does not speak with MIDI keyboards.',
  useKeysOnScreenOr: 'Use the keys on the screen, or open New Thumb in another browser.',
  browserWasNotAllowedTo: 'The browser was not allowed to use the MIDI keyboard.',
  allowMidiForThisPage: 'Allow MIDI for this page in the browser’s settings, then choose it again.',
  noMidiKeyboardIsConnected: 'No MIDI keyboard is connected.',
  connectItAndSwitchIt: 'Connect it and switch it on, then choose it again.',
  keyboardPluggedIn: 'The MIDI keyboard is plugged in.',
  keyboardPluggedOut: 'The MIDI keyboard was unplugged.',
  plugItInAgain: 'Plug it in again: what was played so far is kept.',
});
