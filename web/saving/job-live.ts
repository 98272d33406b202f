import { liveEventSchema, type LiveEvent } from '@/contracts/live-api';

/** The part of an EventSource that is used. */
export interface Stream {
  onmessage: ((event: MessageEvent<string>) => void) | null;
  close(): void;
}

export type OpenStream = (address: string) => Stream;

/** The part of a page that tells whether it is looked at. */
type SeenPage = Pick<Document, 'visibilityState' | 'addEventListener' | 'removeEventListener'>;

const openStream: OpenStream | null = typeof EventSource === 'undefined' ? null : (address) => new EventSource(address);

/**
 * Listens to what others do with a job, while this page is looked at: a browser has few lines to one server, and a page in the
 * background takes none. The first word after a pause says at which revision the job is.
 */
export function listenToJob(
  id: string,
  heard: (event: LiveEvent) => void,
  open: OpenStream | null = openStream,
  page: SeenPage | null = typeof document === 'undefined' ? null : document,
): () => void {
  if (!page) return () => undefined;
  let stream: Stream | null = null;
  const follow = (): void => {
    const isSeen = page.visibilityState !== 'hidden';
    if (!isSeen) {
      stream?.close();
      stream = null;
    } else if (!stream && open) {
      stream = open(`/api/live/${id}`);
      stream.onmessage = ({ data }) => {
        const event = liveEventSchema.safeParse(JSON.parse(data));
        if (event.success) heard(event.data);
      };
    }
  };
  page.addEventListener('visibilitychange', follow);
  follow();
  return () => {
    page.removeEventListener('visibilitychange', follow);
    stream?.close();
  };
}
