import type { Problem, Result } from '@/core/1-base/problem';

/** Longest side kept, pixels: a rust hole is still seen on it. */
const LONGEST_PX = 1600;
const QUALITY = 0.82;

/** Bytes above which a file is more likely a film or a mistake than a photo. */
const MOST_BYTES = 30_000_000;

const refused = (code: Problem['code'], path: string, expected: string, found: string): Result<never> => ({
  ok: false,
  problems: [{ code, path, expected, found }],
});

/** A photo made small enough to keep, as JPEG; the browser decodes whatever it can show. */
export async function shrinkPhoto(file: File): Promise<Result<Blob>> {
  if (file.size > MOST_BYTES) {
    const found = `${(file.size / 1e6).toFixed(0)} MB`;
    return refused('tooLarge', file.name, `a photo of at most ${MOST_BYTES / 1e6} MB`, found);
  }
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    return refused('wrongFormat', file.name, 'a picture this browser can show', file.type || 'a file of no known kind');
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  return blob
    ? { ok: true, value: blob }
    : refused('internal', file.name, 'a smaller picture', 'none made by the browser');
}
