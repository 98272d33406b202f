/** One whole job as a file: what it is called, whose it is, its document and its pictures. */
import { z } from 'zod';
import type { Problem, Result } from '@/core/1-base/problem';
import { jobContentSchema, type JobContent } from './job-api';
import { FILE_FORMAT, type LowgapFile } from './lowgap-file';
import { boundsOf, parseWith, readJsonText, readLowgapJson } from './parse';
import { pictureTypeSchema } from './picture';

export const JOB_FILE_FORMAT = 'lowgap-job';
export const JOB_FILE_VERSION = 1;

/** Most bytes of such a file: a job's document and all the pictures it can hold. */
export const MOST_JOB_FILE_BYTES = 300_000_000;

export const jobFileSchema = jobContentSchema.extend({
  format: z.literal(JOB_FILE_FORMAT),
  version: z.literal(JOB_FILE_VERSION),
  pictures: z
    .array(z.strictObject({ id: z.uuid(), mediaType: pictureTypeSchema, base64: z.base64().max(6_000_000) }))
    .max(80),
});

export type JobFile = z.output<typeof jobFileSchema>;
export type JobPicture = JobFile['pictures'][number];

/** Reads a job's file, or the file of a document alone: its job is called by its vehicle then, and has no pictures. */
export function readJobText(text: string): Result<JobFile> {
  const json = readJsonText(text);
  if (!json.ok) return json;
  const beyond = boundsOf(json.value);
  if (beyond) return { ok: false, problems: [beyond] };
  const { format, version } = (json.value ?? {}) as Readonly<Record<string, unknown>>;
  if (format === FILE_FORMAT) {
    const read = readLowgapJson(json.value);
    return read.ok
      ? { ok: true, value: jobFileOf({ title: read.value.vehicle.label, customer: '', document: read.value }, []) }
      : read;
  }
  if (format !== JOB_FILE_FORMAT)
    return refused('wrongFormat', 'format', `"${JOB_FILE_FORMAT}" or "${FILE_FORMAT}"`, format);
  if (version !== JOB_FILE_VERSION) return refused('wrongVersion', 'version', String(JOB_FILE_VERSION), version);
  return parseWith(jobFileSchema, json.value);
}

const refused = (code: Problem['code'], path: string, expected: string, found: unknown): Result<never> => ({
  ok: false,
  problems: [
    { code, path, expected, found: found === undefined ? 'nothing' : String(JSON.stringify(found)).slice(0, 60) },
  ],
});

export const jobFileOf = (content: JobContent, pictures: readonly JobPicture[]): JobFile => ({
  format: JOB_FILE_FORMAT,
  version: JOB_FILE_VERSION,
  ...content,
  pictures: [...pictures],
});

/** The pictures that a document shows, by id, each once. */
export function picturesOf({ intake, corners }: LowgapFile): readonly string[] {
  const shown = (intake?.photos ?? []).map(({ id }) => id);
  const measured = Object.values(corners).flatMap(({ photos }) => (photos ?? []).map(({ photoId }) => photoId));
  return [...new Set([...shown, ...measured])];
}

/** The file with its pictures under names of its own, so that it can be opened beside the job that it was made of. */
export function renamedPictures(file: JobFile, newId: () => string): JobFile {
  const names = new Map(file.pictures.map(({ id }) => [id, newId()]));
  const own = (id: string): string => names.get(id) ?? id;
  const document = structuredClone(file.document);
  for (const photo of document.intake?.photos ?? []) photo.id = own(photo.id);
  for (const { photos } of Object.values(document.corners)) {
    for (const photo of photos ?? []) photo.photoId = own(photo.photoId);
  }
  return { ...file, document, pictures: file.pictures.map((picture) => ({ ...picture, id: own(picture.id) })) };
}
