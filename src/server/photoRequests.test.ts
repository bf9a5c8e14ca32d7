import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { message } from '../test/requests';
import { addPhoto, getPhoto } from './photoRequests';

beforeAll(() => {
  process.env.HAVRIK_DB = join(mkdtempSync(join(tmpdir(), 'havrik-photo-')), 'havrik.sqlite');
});

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: { r: 200, g: 30, b: 30 } } });
const ask = (body: Uint8Array | string, type = 'image/jpeg') =>
  addPhoto(
    new Request('http://127.0.0.1/api/photos', {
      method: 'POST',
      body: body as BodyInit,
      headers: { 'content-type': type },
    }),
  );
async function kept(body: Uint8Array, type?: string): Promise<Buffer> {
  const answer = await ask(body, type);
  expect(answer.status).toBe(200);
  const { id } = (await answer.json()) as { id: string };
  const photo = await getPhoto(id);
  expect(photo.headers.get('content-type')).toBe('image/jpeg');
  return Buffer.from(await photo.arrayBuffer());
}

it('keeps a photo without where, when and with what it was taken', async () => {
  const taken = await picture(400, 300)
    .withExif({
      IFD0: { Make: 'A maker', Software: 'of the camera' },
      IFD2: { DateTimeOriginal: '2026:03:01 09:00:00' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1', GPSLongitudeRef: 'E' },
    })
    .jpeg()
    .toBuffer();
  expect(taken.toString('latin1')).toMatch(/A maker/u);
  expect((await sharp(taken).metadata()).exif).toBeDefined();
  const photo = await kept(taken);
  const { exif, xmp, iptc, width, height } = await sharp(photo).metadata();
  expect({ exif, xmp, iptc }).toEqual({ exif: undefined, xmp: undefined, iptc: undefined });
  expect([width, height]).toEqual([400, 300]);
  expect(photo.toString('latin1')).not.toMatch(/A maker|Exif|GPS|2026:03/u);
});

it('turns it upright, and makes it no larger than it has to be', async () => {
  const turned = await picture(3000, 1500).withMetadata({ orientation: 6 }).jpeg().toBuffer();
  const { width, height } = await sharp(await kept(turned)).metadata();
  expect([width, height]).toEqual([1000, 2000]);
  const clear = await sharp({
    create: { width: 60, height: 40, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } },
  })
    .png()
    .toBuffer();
  const { data } = await sharp(await kept(clear, 'image/png'))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(data[0]).toBeGreaterThan(250);
});

it('refuses in words what is no photo, too much, or nothing', async () => {
  expect(await message(await ask('hello', 'text/plain'))).toMatch(/^415 .*JPEG, PNG or WebP/u);
  expect(await message(await ask('not a picture'))).toMatch(/^422 The photo cannot be read/u);
  expect(await message(await ask(''))).toBe('400 The photo is empty.');
  expect(await message(await ask(new Uint8Array(26_000_000)))).toMatch(/^413 .*26 MB: at most 25/u);
  const half = (await picture(800, 600).jpeg().toBuffer()).subarray(0, 900);
  expect(await message(await ask(half))).toMatch(/^422/u);
  // Drawn instructions are not followed, whatever they say they are.
  const drawn = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>';
  expect(await message(await ask(drawn, 'image/svg+xml'))).toMatch(/^415/u);
  expect(await message(await ask(drawn))).toMatch(/^422/u);
});

it('has no photo of another name', async () => {
  expect(await message(await getPhoto('../../etc/passwd'))).toBe(
    '404 This photo is not on this machine.',
  );
  expect((await getPhoto('0f0e7a52-7d1e-4a4e-9a52-2d0c3f0a1b2c')).status).toBe(404);
});
