// Runs beside the sound card: hands on what the microphone gives, some hundredths of a second at a time, with its place on the sound card's clock.
const SAMPLES = 2048;

class Microphone extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(SAMPLES);
    this.filled = 0;
  }

  process([[channel]]) {
    // Without a source there is no channel: nothing is handed on, and nothing is made up.
    if (!channel) return true;
    for (const sample of channel) {
      this.piece[this.filled] = sample;
      this.filled += 1;
      if (this.filled < SAMPLES) continue;
      const endS = currentTime + channel.length / sampleRate;
      this.port.postMessage({ piece: this.piece, endS }, [this.piece.buffer]);
      this.piece = new Float32Array(SAMPLES);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('microphone', Microphone);
