/** What the server keeps of one photograph, and sends nothing larger over a thin line. */
const MOST_BYTES = 4_500_000;
const LONGEST_SIDE = 2000;
const QUALITY = 0.9;

/** A photograph small enough to be sent: as it is, or drawn smaller where a camera made it large. */
export async function smallerPhoto(file: Blob): Promise<Blob> {
  if (file.size <= MOST_BYTES) return file;
  const picture = await createImageBitmap(file).catch(() => null);
  if (!picture) return file;
  const scale = Math.min(1, LONGEST_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((resolve) => canvas.toBlob((drawn) => resolve(drawn ?? file), "image/jpeg", QUALITY));
}
