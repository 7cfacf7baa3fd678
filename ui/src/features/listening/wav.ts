/** A WAV file of PCM, 16 bits, mono. */
export function toWav(blocks: Float32Array[], count: number, rate: number): Blob {
  const view = new DataView(new ArrayBuffer(44 + count * 2));
  const text = (at: number, letters: string) => {
    for (let i = 0; i < letters.length; i++) view.setUint8(at + i, letters.charCodeAt(i));
  };
  text(0, 'RIFF');
  view.setUint32(4, 36 + count * 2, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, count * 2, true);
  let at = 44;
  for (const block of blocks) {
    for (const value of block) {
      view.setInt16(at, Math.max(-1, Math.min(1, value)) * 32767, true);
      at += 2;
    }
  }
  return new Blob([view.buffer], { type: 'audio/wav' });
}
