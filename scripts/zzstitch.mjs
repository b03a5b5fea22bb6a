import sharp from 'sharp';
const [out, ...names] = process.argv.slice(2);
const w = 1280, h = 800;
await sharp({ create: { width: w, height: h * names.length, channels: 3, background: '#fff' } }).composite(names.map((n, i) => ({ input: `/tmp/shots/${n}.png`, top: i * h, left: 0 }))).png().toFile(`/tmp/shots/${out}.png`);
