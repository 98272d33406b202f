import {
  jobFileOf,
  MOST_JOB_FILE_BYTES,
  picturesOf,
  readJobText,
  renamedPictures,
  type JobFile,
  type JobPicture,
} from '@/contracts/job-file';
import type { Job, JobContent } from '@/contracts/job-api';
import { pictureTypeOf } from '@/contracts/picture';
import type { Problem, Result } from '@/core/1-base/problem';
import { api, type ApiResult } from '../api';
import { newUuid } from './new-uuid';
import { saveText } from './save-text';

/** Reads a chosen file as a job, or as the document of one; a file that is neither is refused with what was found. */
export async function readJobUpload(file: File): Promise<Result<JobFile>> {
  if (file.size > MOST_JOB_FILE_BYTES) {
    const found = `${(file.size / 1e6).toFixed(0)} MB`;
    const expected = `a job file of at most ${MOST_JOB_FILE_BYTES / 1e6} MB`;
    return { ok: false, problems: [{ code: 'tooLarge', path: file.name, expected, found }] };
  }
  const read = readJobText(await file.text());
  return read.ok ? { ok: true, value: renamedPictures(read.value, newUuid) } : read;
}

/** What a job's file could not take along. */
const missing = (what: string, count: number): Problem => ({
  code: 'notFound',
  path: 'pictures',
  expected: `all pictures ${what}`,
  found: count === 1 ? 'all but one' : `all but ${count}`,
});

/** Hands the job to the browser as one file, its pictures in it; those that cannot be had now are told of. */
export async function downloadJob(content: JobContent): Promise<readonly Problem[]> {
  const ids = picturesOf(content.document);
  const pictures = (await Promise.all(ids.map(pictureFrom))).filter((one): one is JobPicture => one !== null);
  const name =
    content.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'job';
  saveText(`${name}.lowgap.json`, 'application/json', `${JSON.stringify(jobFileOf(content, pictures), null, 2)}\n`);
  return pictures.length < ids.length ? [missing('in the file', ids.length - pictures.length)] : [];
}

async function pictureFrom(id: string): Promise<JobPicture | null> {
  const read = await api.readPhoto(id);
  if (!read.ok) return null;
  const bytes = new Uint8Array(await read.value.arrayBuffer());
  const mediaType = pictureTypeOf(bytes);
  return mediaType && { id, mediaType, base64: base64Of(bytes) };
}

/** In stretches: a call takes only so many arguments. */
function base64Of(bytes: Uint8Array): string {
  let text = '';
  for (let from = 0; from < bytes.length; from += 32_768) {
    text += String.fromCharCode(...bytes.subarray(from, from + 32_768));
  }
  return btoa(text);
}

/** Keeps a file's pictures with a job that has its document. @returns what could not be kept. */
export async function keepPictures(job: string, { pictures }: JobFile): Promise<readonly Problem[]> {
  let lost = 0;
  for (const { id, mediaType, base64 } of pictures) {
    const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
    const kept = await api.addPhoto(job, new Blob([bytes], { type: mediaType }), id);
    if (!kept.ok) lost++;
  }
  return lost > 0 ? [missing('with the job', lost)] : [];
}

/** Makes a job of a file. */
export async function jobFromFile(file: JobFile): Promise<ApiResult<Job>> {
  const { title, customer, document } = file;
  const made = await api.createJob({ title, customer, document });
  if (!made.ok) return made;
  const problems = await keepPictures(made.value.id, file);
  return problems.length > 0 ? { ok: false, failure: { kind: 'refused', status: 0, problems } } : made;
}
