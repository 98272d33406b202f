/** A drawing as a PNG at its own size; null where the browser cannot draw it. */
export async function pictureFile(drawing: SVGElement): Promise<Blob | null> {
  const text = new XMLSerializer().serializeToString(drawing);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  try {
    await image.decode();
  } catch {
    return null;
  }
  const canvas = document.createElement('canvas');
  canvas.width = Number(drawing.getAttribute('width'));
  canvas.height = Number(drawing.getAttribute('height'));
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
}
