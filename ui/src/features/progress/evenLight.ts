// Where both pictures are brought to: the middle of what a screen shows.
const middle = 118;
const darkest = 8;
const [least, most] = [0.4, 2.5];

// How much each colour counts to the eye (Rec. 601, from memory).
const [red, green, blue] = [0.299, 0.587, 0.114];
const channels = 4;

/** How bright a picture is on the whole, 0 to 255, from its pixels as a canvas gives them. */
export function brightness(pixels: ArrayLike<number>): number {
  let sum = 0;
  for (let at = 0; at + channels <= pixels.length; at += channels) {
    sum += red * (pixels[at] ?? 0) + green * (pixels[at + 1] ?? 0) + blue * (pixels[at + 2] ?? 0);
  }
  return sum / Math.max(1, Math.floor(pixels.length / channels));
}

/** By how much a picture has to be lit more or less, so that two taken in different light can be compared. */
export const evenLight = (bright: number) =>
  Math.min(most, Math.max(least, middle / Math.max(darkest, bright)));

/** Whether a picture is turned, so that its long side, along which a bead is photographed, lies across. */
export const turnedAcross = (width: number, height: number) => (height > width ? 90 : 0);

// How wide a frame is beside its height.
const frameAspect = 4 / 3;

/** How many millimetres a frame is across that shows a picture whole, laid across. */
export function acrossMm(width: number, height: number, pixelsPerMm: number): number {
  const [long, short] = [Math.max(width, height), Math.min(width, height)];
  return Math.max(long, short * frameAspect) / pixelsPerMm;
}
