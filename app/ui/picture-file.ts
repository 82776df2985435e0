/** A picture kept with a property is at most this wide or high, px: sharp enough to draw on, small enough to keep. */
const LARGEST_PX = 1600;
const LARGEST_FILE_BYTES = 30_000_000;
/** How much of a file is looked into for drawings that would be run and not shown. */
const LOOKED_INTO = 4096;

/** A picture brought to a size that can be kept. */
export interface Drawn {
  canvas: HTMLCanvasElement;
  widthPx: number;
  heightPx: number;
}

const isDrawing = async (file: File): Promise<boolean> =>
  file.type === 'image/svg+xml' || /<svg[\s>]/i.test(await file.slice(0, LOOKED_INTO).text());

/**
 * Reads a picture file and draws it anew, at most 1600 px wide or high: whatever else the file held, place and camera among it, is gone.
 * Gives a sentence where it is no picture.
 *
 * @param what of the sentence: 'a plan picture'
 */
export async function drawnPicture(file: File, what: string): Promise<Drawn | string> {
  if (file.size > LARGEST_FILE_BYTES)
    return `${file.name} is ${Math.round(file.size / 1e6)} MB; ${what} is at most ${LARGEST_FILE_BYTES / 1e6}.`;
  // a drawing of lines may hold a program
  if (await isDrawing(file)) return `${file.name} is a drawing of lines, an SVG: save it as PNG or JPEG.`;
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    return `${file.name} is not a picture this browser can read. Save it as PNG or JPEG.`;
  }
  const scale = Math.min(1, LARGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return { canvas, widthPx: canvas.width, heightPx: canvas.height };
}
