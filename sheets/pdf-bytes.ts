/** All that a PDF document writes, as bytes. Call it before anything is drawn; it resolves once the document is ended. */
export async function pdfBytes(doc: PDFKit.PDFDocument): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
  await new Promise<void>((resolve) => doc.on('end', () => resolve()));
  const bytes = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.length;
  }
  return bytes;
}
