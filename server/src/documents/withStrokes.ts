import type { PhotographFields } from '@tufa/contract/entities';
import sharp from 'sharp';

/** A picture's bytes with the lines drawn on it, as the screen lays them over it. */
export async function withStrokes(bytes: Buffer, strokes: PhotographFields['strokes']): Promise<Buffer> {
  if (strokes.length === 0) return bytes;
  const { width, height } = await sharp(bytes).metadata();
  const paths = strokes.map((stroke) => `<path d="${stroke.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x * width} ${y * height}`).join('')}"/>`);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" fill="none" stroke="#94281c" stroke-width="${Math.max(width, height) / 120}">${paths.join('')}</svg>`;
  return sharp(bytes)
    .composite([{ input: Buffer.from(svg) }])
    .jpeg()
    .toBuffer();
}
