/** Hands a text to the browser as a file to keep. */
export const saveText = (name: string, type: string, text: string): void => saveBlob(name, new Blob([text], { type }));

/** Hands bytes to the browser as a file to keep. */
export function saveBlob(name: string, blob: Blob): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

export const pdfBlob = (bytes: Uint8Array): Blob =>
  new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
