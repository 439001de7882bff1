/** What pairs a phone, read from the picture or the settings file of an invitation. */
import { PhoneSettings, readLink } from '../standins/mail/invitation';

export type Pairing = { number: string; code: string; join: string; from: string } | { message: string };

const LARGEST_SIDE = 1600;
const LARGEST_FILE = 20_000_000;

/** Reads either; what it is goes by its content, whatever its name. */
export async function readPairing(file: File): Promise<Pairing> {
  if (file.size > LARGEST_FILE) return { message: 'The file is larger than 20 MB. Is it the right one?' };
  const isPicture = file.type.startsWith('image/');
  return isPicture ? readPicture(file) : readSettings(await file.text());
}

function readSettings(text: string): Pairing {
  try {
    const { number, code, join = '' } = PhoneSettings.parse(JSON.parse(text));
    return { number, code, join, from: 'the settings file' };
  } catch {
    return { message: 'This is neither the picture nor the settings file of an invitation.' };
  }
}

/** Looks for a QR code; a photo may be large, so it is made smaller first, and tried again in full. */
async function readPicture(file: File): Promise<Pairing> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    return { message: 'This picture cannot be opened. Save it as PNG or JPEG.' };
  }
  const { default: jsQR } = await import('jsqr');
  const whole = Math.max(bitmap.width, bitmap.height);
  const sizes = whole > LARGEST_SIDE ? [LARGEST_SIDE, whole] : [whole];
  for (const size of sizes) {
    const [width, height] = [bitmap.width, bitmap.height].map((side) =>
      Math.max(1, Math.round((side * size) / whole)),
    );
    const canvas = new OffscreenCanvas(width!, height!);
    const context = canvas.getContext('2d')!;
    context.drawImage(bitmap, 0, 0, width!, height!);
    const { data } = context.getImageData(0, 0, width!, height!);
    const text = jsQR(data, width!, height!)?.data;
    if (text === undefined) continue;
    const link = readLink(text);
    return link
      ? { ...link, from: 'the picture' }
      : { message: 'There is a code in this picture, and it is not one of an invitation.' };
  }
  return {
    message: 'No code was found in this picture. Take it straight from above, all of the square in it.',
  };
}
