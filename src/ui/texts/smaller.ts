/** A picture made to fit a text: as large as it may be, as JPEG. */

/** Longest sides that are tried, in pixels, and how well each is kept. */
const TRIES = [
  [2048, 0.85],
  [1600, 0.8],
  [1280, 0.75],
  [960, 0.7],
  [640, 0.6],
] as const;

/** @param most bytes @returns undefined where it is no picture that this browser reads, or it does not fit */
export async function madeSmaller(file: Blob, most: number): Promise<Uint8Array<ArrayBuffer> | undefined> {
  const picture = await createImageBitmap(file).catch(() => undefined);
  if (!picture) return undefined;
  try {
    for (const [side, quality] of TRIES) {
      const scale = Math.min(1, side / Math.max(picture.width, picture.height));
      const canvas = new OffscreenCanvas(
        Math.max(1, Math.round(picture.width * scale)),
        Math.max(1, Math.round(picture.height * scale)),
      );
      const pen = canvas.getContext('2d');
      if (!pen) return undefined;
      // What is see-through becomes white, as paper.
      pen.fillStyle = '#fff';
      pen.fillRect(0, 0, canvas.width, canvas.height);
      pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
      const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
      if (blob.size <= most) return new Uint8Array(await blob.arrayBuffer());
    }
    return undefined;
  } finally {
    picture.close();
  }
}
