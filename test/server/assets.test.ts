/** Images and videos that are imported: what is taken, in which form it is kept, and what is refused with nothing kept. */
import { expect } from 'chai';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crc32, deflateSync, gzipSync } from 'node:zlib';
import sharp from 'sharp';
import { madeName, paths } from '../../api/paths.ts';
import type { AssetResponse, MakingResponse, Problem } from '../../api/responses.ts';
import { demoSite } from '../demo.ts';
import { readSiteFile, writeSiteFile } from '../../core/index.ts';
import { imageMaker } from '../../server/media/imagemaker.ts';
import { fileStore } from '../../server/store/files.ts';
import { served, type Served } from './serving.ts';

const SITE = 'brindle-hill';

/** A PNG of one colour and any size, written by hand: what it unpacks to has nothing to do with how long it is (PNG 3, §5 and §11). */
function plainPng(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([1, 0, 0, 0, 0], 8);
  const rows = Buffer.alloc(height * (1 + Math.ceil(width / 8)));
  return Buffer.concat([
    Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

const SVG = 'xmlns="http://www.w3.org/2000/svg"';

/** A WebM with other numbers for PixelWidth (0xB0) and PixelHeight (0xBA) (RFC 9559, §5.1.4.1.28), of two bytes as before. */
function withSides(film: Buffer, side: number): Buffer {
  const made = Buffer.from(film);
  for (const id of [0xb0, 0xba]) made.writeUInt16BE(side, made.indexOf(Buffer.from([id, 0x82])) + 2);
  return made;
}

const noise = (width: number, height: number) =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#345',
      noise: { type: 'gaussian', mean: 90, sigma: 20 },
    },
  });

describe('images and videos', function () {
  this.timeout(120_000);
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running?.end());

  const put = (bytes: Buffer | string, type = 'application/octet-stream') =>
    fetch(running.url + paths.assets(SITE), {
      method: 'POST',
      headers: { 'Content-Type': type },
      body: typeof bytes === 'string' ? bytes : new Uint8Array(bytes),
    });
  const taken = async (bytes: Buffer | string): Promise<AssetResponse> => {
    const answer = await put(bytes);
    if (answer.status !== 201) throw new Error(((await answer.json()) as Problem).detail);
    return (await answer.json()) as AssetResponse;
  };
  const bytesOf = async ({ hash }: Pick<AssetResponse, 'hash'>) =>
    Buffer.from(await (await fetch(running.url + paths.asset(SITE, hash))).arrayBuffer());
  const keptFiles = async () => (await fileStore(`${running.folder}/files`).list()).length;

  it('are sharp in any size as the sign of a site, where they are drawings', async () => {
    const half =
      '<rect width="20" height="40" fill="#f00"/><rect x="20" width="20" height="40" fill="#00f"/>';
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40" viewBox="0 0 40 40">${half}</svg>`;
    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-made-'));
    const maker = imageMaker(folder, { get: async () => Buffer.from(svg) });
    const form = { type: 'image/png', width: 512, square: {} } as const;
    const bytes = await maker.bytes({ asset: { hash: 'a'.repeat(64), name: 'Half' }, form });
    const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const at = (x: number) =>
      data.subarray(4 * (256 * info.width + x), 4 * (256 * info.width + x) + 3).join();
    const mixed = Array.from({ length: info.width }, (_each, x) => at(x)).filter(
      (colour) => colour !== '255,0,0' && colour !== '0,0,255',
    );
    expect([info.width, at(10), at(500)]).to.deep.equal([512, '255,0,0', '0,0,255']);
    expect(mixed.length, 'columns that are neither').to.be.at.most(2);
    await rm(folder, { recursive: true });
  });

  it('are known by their bytes, whatever they are called', async () => {
    const picture = noise(800, 500);
    for (const [type, bytes] of [
      ['image/jpeg', await picture.jpeg().toBuffer()],
      ['image/png', await picture.png().toBuffer()],
      ['image/webp', await picture.webp().toBuffer()],
      ['image/avif', await picture.avif({ effort: 0 }).toBuffer()],
      ['image/gif', await picture.gif().toBuffer()],
    ] as const) {
      const answer = await taken(bytes);
      expect([answer.type, answer.width, answer.height], type).to.deep.equal([type, 800, 500]);
      expect(answer.colour, type).to.match(/^#[0-9a-f]{6}$/);
      const served = await fetch(running.url + paths.asset(SITE, answer.hash));
      expect(served.headers.get('Content-Type')).to.equal(type);
    }
    const { files } = await demoSite();
    const film = await taken(Buffer.from(files['turning-sky'], 'base64'));
    expect([film.type, film.width, film.height]).to.deep.equal(['video/webm', 640, 360]);
    const turning = await sharp(
      await Promise.all(
        ['#f00', '#0f0'].map((background) =>
          sharp({ create: { width: 60, height: 40, channels: 3, background } })
            .png()
            .toBuffer(),
        ),
      ),
      { join: { animated: true } },
    )
      .gif()
      .toBuffer();
    expect(await taken(turning)).to.deep.include({ type: 'image/gif', width: 60, height: 40, moves: true });
  });

  it('stand upright, and keep nothing of place and camera', async () => {
    const bytes = await noise(600, 400)
      .jpeg()
      .withExif({ IFD0: { Make: 'A camera', Orientation: '6' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect((await sharp(bytes).metadata()).orientation).to.equal(6);
    const answer = await taken(bytes);
    // Orientation 6 (EXIF 2.32, §4.6.4): the row that is stored first is the right side of the picture.
    expect([answer.width, answer.height]).to.deep.equal([400, 600]);
    const kept = await bytesOf(answer);
    const { exif, orientation, icc, xmp } = await sharp(kept).metadata();
    expect([exif, orientation, icc, xmp]).to.deep.equal([undefined, undefined, undefined, undefined]);
    expect(kept.includes('A camera')).to.equal(false);
  });

  it('that move keep nothing of the place where they were taken, and show the same', async () => {
    const film = Buffer.from((await demoSite()).files['turning-sky'], 'base64');
    const place = Buffer.from('+52.5200+013.4050/');
    // Tags of Matroska (RFC 9559, §5.1.8): Tags, Tag, SimpleTag, TagName, TagString, behind all else in the segment.
    const element = (id: string, data: Buffer) =>
      Buffer.concat([Buffer.from(id, 'hex'), Buffer.from([0x80 | data.length]), data]);
    const tag = (name: string, says: Buffer) =>
      element('67c8', Buffer.concat([element('45a3', Buffer.from(name)), element('4487', says)]));
    const tags = element('1254c367', element('7373', tag('LOCATION', place)));
    const segment = film.indexOf(Buffer.from('18538067', 'hex')) + 4;
    const told = Buffer.concat([film, tags]);
    const width = 9 - (Math.clz32(film[segment]) - 23);
    expect(width, 'the segment says its size in eight bytes').to.equal(1);
    const size = film.readBigUInt64BE(segment);
    const isUnknown = size === (1n << 57n) - 1n;
    if (!isUnknown) told.writeBigUInt64BE(size + BigInt(tags.length), segment);
    expect(told.includes(place)).to.equal(true);
    const answer = await taken(told);
    expect([answer.type, answer.width, answer.height]).to.deep.equal(['video/webm', 640, 360]);
    const kept = await bytesOf(answer);
    expect(kept.includes(place)).to.equal(false);
    expect(kept.length).to.equal(told.length);
    expect(kept.subarray(segment + 8, film.length).equals(film.subarray(segment + 8))).to.equal(true);
  });

  it('of two kinds at once are kept as the image alone', async () => {
    const picture = await noise(80, 60).png().toBuffer();
    const answer = await taken(Buffer.concat([picture, Buffer.from('<script>alert(1)</script>PK\x03\x04')]));
    const kept = await bytesOf(answer);
    expect(kept.includes('<script>') || kept.includes('PK\x03\x04')).to.equal(false);
    expect((await sharp(kept).metadata()).width).to.equal(80);
  });

  it('that are drawings keep what draws, and nothing that runs or fetches', async () => {
    const answer = await taken(`<?xml version="1.0"?>
      <svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 120 80" onload="alert(1)">
        <script>alert(2)</script><foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><iframe src="https://a.example"/></body></foreignObject>
        <style>@import url(https://b.example/x.css); path { fill: url(https://c.example/#x) }</style>
        <image href="https://d.example/x.png" width="10" height="10"/><use href="https://e.example/x.svg#y"/><use href="#own"/>
        <a href="javascript:alert(3)"><path id="own" d="M0 0h9v9z" fill="#123" style="stroke:url('https://f.example')" onclick="alert(4)"/></a>
        <set attributeName="href" to="javascript:alert(5)"/><animate attributeName="href" values="javascript:alert(6)"/>
        <linearGradient id="g"><stop offset="0" stop-color="red"/></linearGradient><rect fill="url(#g)" width="5" height="5"/>
      </svg>`);
    expect([answer.type, answer.width, answer.height]).to.deep.equal(['image/svg+xml', 120, 80]);
    const kept = (await bytesOf(answer)).toString('utf8');
    for (const never of [
      'script',
      'alert',
      'example',
      'foreignObject',
      'javascript',
      'iframe',
      'onload',
      '@import',
    ])
      expect(kept.toLowerCase(), never).not.to.include(never.toLowerCase());
    for (const drawn of ['M0 0h9v9z', '#own', 'url(#g)', 'linearGradient', 'viewBox="0 0 120 80"'])
      expect(kept, drawn).to.include(drawn);
    // What is clean already stays as it is.
    expect((await taken(kept)).hash).to.equal(answer.hash);
    const alone = await fetch(running.url + paths.asset(SITE, answer.hash));
    expect(alone.headers.get('Content-Security-Policy')).to.match(/default-src 'none'.*sandbox/);
  });

  it('are refused with a sentence, and nothing of them is kept', async () => {
    const jpeg = await noise(900, 600).jpeg().toBuffer();
    const gif = await sharp({ create: { width: 20, height: 20, channels: 3, background: '#fff' } })
      .gif()
      .toBuffer();
    const bomb = `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>`;
    const film = Buffer.from((await demoSite()).files['turning-sky'], 'base64');
    // A file type box and a box of media data (ISO/IEC 14496-12, §4.3 and §8.1.1).
    const mp4 = Buffer.concat([
      Buffer.from('\0\0\0\x18ftypisom\0\0\0\0isommp42', 'latin1'),
      Buffer.from('\0\0\0\x10mdat12345678', 'latin1'),
    ]);
    const blurs =
      '<feTurbulence baseFrequency=".9" numOctaves="50"/><feGaussianBlur stdDeviation="90"/>'.repeat(60);
    const slow = `<svg ${SVG} width="900" height="900"><filter id="f">${blurs}</filter><rect width="900" height="900" filter="url(#f)"/></svg>`;
    const before = await keptFiles();
    for (const [what, bytes, sentence] of [
      [
        'an image of 200 megapixels',
        plainPng(16_000, 12_500),
        /200 megapixels; an image can have 40 megapixels at most/,
      ],
      ['an image of one long line', plainPng(40_000_000, 1), /40000000 × 1 px; each side may have 16384/],
      ['an image of one high line', plainPng(1, 16_385), /1 × 16385 px; each side/],
      ['a drawing as wide', Buffer.from(`<svg ${SVG} width="16385" height="9"/>`), /each side/],
      ['a video cut short', film.subarray(0, film.length - 1), /damaged, or only a part/],
      ['a video that lacks its half', film.subarray(0, film.length / 2), /damaged, or only a part/],
      ['a video of 65535 × 65535 px', withSides(film, 65_535), /each side|damaged/],
      ['a video of 0 × 0 px', withSides(film, 0), /damaged/],
      ['an MP4 whose last part is cut', mp4.subarray(0, mp4.length - 1), /damaged, or only a part/],
      [
        'a drawing that takes minutes to draw',
        Buffer.from(slow),
        /drawing it takes longer than a page can wait/,
      ],
      ['a JPEG cut short', jpeg.subarray(0, jpeg.length / 2), /damaged, or only a part/],
      ['a PNG cut short', plainPng(100, 100).subarray(0, 60), /damaged/],
      [
        'a head of a GIF before a script',
        Buffer.concat([gif.subarray(0, 10), Buffer.from('=1;alert(1)')]),
        /damaged/,
      ],
      ['entities', Buffer.from(bomb), /declares entities/],
      [
        'an SVG that is no XML',
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><g>'),
        /isn’t an SVG that can be read/,
      ],
      ['a page', Buffer.from('<!DOCTYPE html><svg></svg>'), /not one of the types/],
      ['an archive', Buffer.from('PK\x03\x04rest'), /not one of the types/],
      ['nothing', Buffer.alloc(0), /is empty/],
      [
        'a video without images',
        Buffer.concat([Buffer.from('\x1a\x45\xdf\xa3', 'latin1'), Buffer.alloc(400)]),
        /damaged|no video/,
      ],
    ] as const) {
      const answer = await put(bytes);
      expect(answer.status, what).to.equal(422);
      const { detail } = (await answer.json()) as Problem;
      expect(detail, what).to.match(sentence);
      expect(detail, what).to.match(/Nothing was saved\.$/);
    }
    expect((await put(Buffer.alloc(50_000_001))).status).to.equal(413);
    expect(await keptFiles()).to.equal(before);
    expect(
      (await fetch(running.url + paths.assets('nowhere'), { method: 'POST', body: new Uint8Array(jpeg) }))
        .status,
    ).to.equal(404);
  });

  it('may be documents and captions, which are kept as they are where they are whole', async () => {
    // The smallest document that readers open (ISO 32000-1, annex H.2), from memory.
    const body =
      '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj\n';
    const whole = `${body}xref\n0 3\ntrailer<</Root 1 0 R/Size 3>>\nstartxref\n${body.length}\n%%EOF\n`;
    const document = await taken(whole);
    expect(document).to.deep.equal({ type: 'application/pdf', hash: document.hash, bytes: whole.length });
    expect((await bytesOf(document)).toString()).to.equal(whole);
    // WebVTT, §1.1 (https://www.w3.org/TR/webvtt1/#introduction).
    const spoken = 'WEBVTT\n\n00:11.000 --> 00:13.000\n<v Roger Bingham>We are in New York City\n';
    const captions = await taken(`\uFEFF${spoken}`);
    expect(captions.type).to.equal('text/vtt');
    const response = await fetch(running.url + paths.asset(SITE, captions.hash));
    expect(response.headers.get('content-type')).to.match(/^text\/vtt/);
    for (const [bytes, sentence] of [
      [whole.slice(0, -30), /damaged, or only a part of it/],
      ['WEBVTT\n\n11 to 13\nNo times\n', /no times in these captions/],
      [Buffer.from([...Buffer.from('WEBVTT\n\n00:11.000 --> 00:13.000\n'), 0xff, 0xfe]), /not text in UTF-8/],
      ['WEBVTTX\n', /not one of the types that a site can use/],
      [Buffer.from(spoken, 'utf16le'), /not one of the types/],
    ] as const) {
      const answer = await put(bytes);
      expect(answer.status).to.equal(422);
      expect(((await answer.json()) as Problem).detail).to.match(sentence);
    }
  });

  it('come in smaller widths, never larger than they are', async () => {
    const answer = await taken(await noise(700, 500).jpeg().toBuffer());
    for (const [asked, given] of [
      [320, 320],
      [640, 640],
      [2000, 700],
    ]) {
      const made = await fetch(running.url + paths.made(SITE, answer.hash, madeName(asked)));
      expect(made.headers.get('Content-Type')).to.equal('image/webp');
      expect((await sharp(Buffer.from(await made.arrayBuffer())).metadata()).width).to.equal(given);
    }
    const { wanted, made } = (await (await fetch(running.url + paths.making(SITE))).json()) as MakingResponse;
    expect(made).to.be.within(0, wanted);
    expect(wanted).to.be.greaterThan(50);
  });

  it('in a site file are what it says of them, or the file is refused', async () => {
    const { site, files } = await demoSite();
    const bring = async (assets: typeof site.frame.assets, given: Record<string, string>) => {
      const answer = await fetch(running.url + paths.sites(), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: writeSiteFile({ ...site, frame: { ...site.frame, assets } }, { ...files, ...given }),
      });
      return { status: answer.status, problem: (await answer.json()) as Problem };
    };
    const other = site.frame.assets.map((asset) =>
      asset.id === 'saturn' ? { ...asset, width: 901 } : asset,
    );
    const { status, problem } = await bring(other, {});
    expect(status).to.equal(422);
    expect(problem.faults).to.deep.equal([
      { path: '/files/saturn', sentence: 'The image or video “Saturn” is 900 × 600 px, not 901 × 600.' },
    ]);
    expect(readSiteFile(writeSiteFile(site, files)).ok).to.equal(true);
    // What unpacks to far more than a site file may have is not unpacked.
    const packed = await fetch(running.url + paths.sites(), {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'Content-Encoding': 'gzip' },
      body: new Uint8Array(gzipSync(Buffer.alloc(150_000_000, 32))),
    });
    expect(packed.status).to.equal(413);
  });
});
