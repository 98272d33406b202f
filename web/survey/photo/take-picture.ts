import type { Problem, Result } from '@/core/1-base/problem';
import { LIMITS } from '@/core/1-base/limits';
import { edgeSeen, grayOf, type EdgeSeen } from '@/core/3-survey/photo/sharpness';
import type { PhotoPlace } from '@/core/3-survey/description/wheel-photo';
import { api } from '../../api';
import { shrinkPhoto } from '../../intake/shrink-photo';

/** A picture that the server keeps. */
export interface TakenPicture {
  readonly photoId: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly focal35Mm?: number;
}

/** Makes a picture small, reads what the camera wrote into it, and gives it to the server. */
export async function takePicture(jobId: string, file: File): Promise<Result<TakenPicture>> {
  const small = await shrinkPhoto(file);
  if (!small.ok) return small;
  const focal35Mm = await focalOf(file);
  const size = await createImageBitmap(small.value);
  const { width, height } = size;
  size.close();
  const sent = await api.addPhoto(jobId, small.value);
  if (sent.ok) {
    const taken = { photoId: sent.value.id, widthPx: width, heightPx: height };
    return { ok: true, value: focal35Mm === null ? taken : { ...taken, focal35Mm } };
  }
  const away: Problem = { code: 'internal', path: file.name, expected: 'the server to take it', found: 'no answer' };
  return { ok: false, problems: sent.failure.kind === 'refused' ? sent.failure.problems : [away] };
}

/** The focal length for a 36 x 24 mm picture, where the camera wrote one down that can be. */
async function focalOf(file: File): Promise<number | null> {
  const { parse } = await import('exifr/dist/lite.esm.mjs');
  const read = await parse(file).catch(() => undefined);
  const mm = (read as { FocalLengthIn35mmFormat?: unknown } | undefined)?.FocalLengthIn35mmFormat;
  const { min, max } = LIMITS.focal35Mm;
  return typeof mm === 'number' && mm >= min && mm <= max ? mm : null;
}

/** How sharp the picture is at marks round a middle; null where the browser gives no pixels. */
export function lookAtEdge(image: HTMLImageElement, middle: PhotoPlace, marks: readonly PhotoPlace[]): EdgeSeen | null {
  const { naturalWidth: widthPx, naturalHeight: heightPx } = image;
  const canvas = document.createElement('canvas');
  canvas.width = widthPx;
  canvas.height = heightPx;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context || widthPx === 0) return null;
  context.drawImage(image, 0, 0);
  const gray = grayOf(context.getImageData(0, 0, widthPx, heightPx).data);
  const pixel = ({ x, y }: PhotoPlace) => [x * widthPx, y * heightPx] as const;
  return edgeSeen({ widthPx, heightPx, gray }, pixel(middle), marks.map(pixel));
}
