import sharp from 'sharp';
import { databasePath } from '../db/database';
import { readPhoto, writePhoto } from '../db/photos';
import { Refused, answering, bytesOf, idSchema } from './answers';

/** A photo as a telephone sends it, bytes. */
const LARGEST = 25_000_000;
/** The longer edge of what is kept, pixels: marks and threads can still be read. */
const EDGE = 2000;
/** No camera's picture has more: what unfolds to more is refused before it is unfolded. */
const MOST_PIXELS = 120_000_000;
const QUALITY = 82;
const FORMATS: readonly string[] = ['jpeg', 'png', 'webp'];
const KINDS = FORMATS.map((format) => `image/${format}`);

/** Keeps the photo in a request: turned upright, made smaller, without where and when it was taken; answers its id. */
export const addPhoto = (request: Request): Promise<Response> =>
  answering(async () => {
    const kind = request.headers.get('content-type')?.split(';')[0].trim() ?? '';
    if (!KINDS.includes(kind))
      throw new Refused(415, 'This is no photo that Havrik reads: JPEG, PNG or WebP.');
    const bytes = await heard(request);
    const kept = await smaller(bytes);
    const id = crypto.randomUUID();
    writePhoto(databasePath(), id, kept);
    return Response.json({ id });
  });

async function heard(request: Request): Promise<Buffer> {
  const { size, bytes } = await bytesOf(request, LARGEST, 3 * LARGEST);
  if (!bytes)
    throw new Refused(
      413,
      `The photo has ${(size / 1e6).toFixed(0)} MB: at most ${LARGEST / 1e6} MB.`,
    );
  if (size === 0) throw new Refused(400, 'The photo is empty.');
  return bytes;
}

/** Only what is seen is written anew: place, time and camera are not. */
async function smaller(bytes: Buffer): Promise<Buffer> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    // What it says it is does not count: drawn instructions are not followed.
    const { format } = await picture.metadata();
    if (!FORMATS.includes(format)) throw new Error(format);
    return await picture
      .autoOrient()
      .resize({ width: EDGE, height: EDGE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY })
      .toBuffer();
  } catch {
    throw new Refused(
      422,
      'The photo cannot be read: it is damaged, too large or of another kind.',
    );
  }
}

/** A photo that was kept. */
export const getPhoto = (id: string): Promise<Response> =>
  answering(async () => {
    const bytes = idSchema.safeParse(id).success ? readPhoto(databasePath(), id) : null;
    if (!bytes) throw new Refused(404, 'This photo is not on this machine.');
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'image/jpeg',
        // A name is never given twice.
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
