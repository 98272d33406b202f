import type { LowgapFile } from '@/contracts/lowgap-file';

/** A document on its way to a worker; the corners are left out when the worker has these very ones. */
export type WiredFile = Omit<LowgapFile, 'corners'> & { readonly corners: LowgapFile['corners'] | null };

/** The page's end: what a survey holds is sent once, as long as the corners stay the same object. */
export class DocumentSender {
  #sent: LowgapFile['corners'] | null = null;

  wire(file: LowgapFile): WiredFile {
    if (file.corners === this.#sent) return { ...file, corners: null };
    this.#sent = file.corners;
    return file;
  }
}

/** The worker's end. Documents must arrive in the order they were sent. */
export class DocumentReceiver {
  #corners: LowgapFile['corners'] = {};

  unwire({ corners, ...rest }: WiredFile): LowgapFile {
    this.#corners = corners ?? this.#corners;
    return { ...rest, corners: this.#corners };
  }
}
