// Runs beside the page: hands on what the microphone hears, block by block.
class Recorder extends AudioWorkletProcessor {
  process(inputs) {
    const heard = inputs[0]?.[0];
    if (heard) this.port.postMessage(heard.slice());
    return true;
  }
}
registerProcessor('recorder', Recorder);
