/* global registerProcessor, AudioWorkletProcessor, currentFrame, sampleRate */

const HEAR_S = 0.015;

/** What the microphone hears, in frames of HEAR_S with the time of each: on the audio's own thread, so that a busy page misses none. */
class Frames extends AudioWorkletProcessor {
  #frame = new Float32Array(Math.round(sampleRate * HEAR_S));
  #filled = 0;

  process([[samples]]) {
    if (!samples) return true;
    for (let from = 0; from < samples.length;) {
      const part = samples.subarray(from, from + this.#frame.length - this.#filled);
      this.#frame.set(part, this.#filled);
      this.#filled += part.length;
      from += part.length;
      if (this.#filled === this.#frame.length) {
        this.port.postMessage({ samples: this.#frame, at_s: (currentFrame + from) / sampleRate });
        this.#filled = 0;
      }
    }
    return true;
  }
}

registerProcessor("frames", Frames);
