import { expose } from 'comlink';

/** Both sizes of a picture, drawn anew. */
export interface ShrunkPhoto {
  readonly full: Blob;
  readonly thumb: Blob;
  readonly sha256: string;
}

const QUALITIES = [0.82, 0.7, 0.55, 0.4, 0.25];

async function drawn(image: ImageBitmap, side: number): Promise<OffscreenCanvas> {
  const by = Math.min(1, side / Math.max(image.width, image.height));
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(image.width * by)), Math.max(1, Math.round(image.height * by)));
  const context = canvas.getContext('2d');
  // What shows through a logo is paper.
  if (context) context.fillStyle = '#ffffff';
  context?.fillRect(0, 0, canvas.width, canvas.height);
  context?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas;
}

/** A JPEG inside a number of bytes: first less fine, then smaller. Drawn anew, it carries no word of place or camera. */
async function encoded(image: ImageBitmap, side: number, mostBytes: number): Promise<Blob> {
  for (let size = side; ; size = Math.round(size * 0.8)) {
    const canvas = await drawn(image, size);
    for (const quality of QUALITIES) {
      const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
      if (blob.size <= mostBytes) return blob;
    }
  }
}

const worker = {
  /** @throws where the file is no picture this browser can read */
  async shrink(file: Blob, sizes: { side: number; thumbSide: number; mostBytes: number }): Promise<ShrunkPhoto> {
    const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const full = await encoded(image, sizes.side, sizes.mostBytes);
    const thumb = await encoded(image, sizes.thumbSide, 60_000);
    image.close();
    const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', await full.arrayBuffer()));
    return { full, thumb, sha256: [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('') };
  },
};

export type PhotoWorker = typeof worker;
expose(worker);
