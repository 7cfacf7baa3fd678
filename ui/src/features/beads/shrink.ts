// Wide enough to see a pore of half a millimetre across a coupon; a picture as a phone takes it is ten times that.
const longest = 2_400;
const quality = 0.85;

/** A picture no larger than is looked at, without what a camera notes in it; as it came where the browser cannot draw it. */
export async function shrink(file: Blob): Promise<Blob> {
  try {
    const picture = await createImageBitmap(file);
    const by = Math.min(1, longest / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(Math.round(picture.width * by), Math.round(picture.height * by));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    const drawn = await canvas.convertToBlob({ type: 'image/jpeg', quality });
    return drawn.size < file.size || by < 1 ? drawn : file;
  } catch {
    return file;
  }
}
