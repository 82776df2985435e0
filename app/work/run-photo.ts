import { keepPhoto } from '../storage/photos';
import { orFault } from './or-fault';
import { drawnPicture } from '../ui/picture-file';

/** A photo of the work is at most so large, bytes; the qualities are tried in turn until it is. */
const MOST_BYTES = 600_000;
const QUALITIES = [0.8, 0.7, 0.6, 0.5] as const;

const jpegOf = (canvas: HTMLCanvasElement, quality: number): Promise<Blob | undefined> =>
  new Promise((resolve) => canvas.toBlob((blob) => resolve(blob ?? undefined), 'image/jpeg', quality));

/** Draws a chosen picture anew, stores it in this browser and gives its name, or the sentence why not. */
export async function takenPhoto(file: File): Promise<{ hash: string } | string> {
  const drawn = await drawnPicture(file, 'a photo');
  if (typeof drawn === 'string') return drawn;
  let jpeg: Blob | undefined;
  for (const quality of QUALITIES) {
    jpeg = await jpegOf(drawn.canvas, quality);
    if (jpeg && jpeg.size <= MOST_BYTES) break;
  }
  if (!jpeg || jpeg.size > MOST_BYTES)
    return `${file.name} stays too large, however it is saved: take it from farther off.`;
  const photo = jpeg;
  const kept = await orFault(() => keepPhoto(photo));
  return typeof kept === 'string' ? { hash: kept } : kept.faults.storage;
}
