/**
 * Draws the demo site's images: `npm run pictures`. The drawings are vectors made here from seeded random numbers, so
 * that every run draws the same; sharp turns them into the WebP files that the demo ships.
 */
import { mkdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { random } from './random.ts';

const FOLDER = new URL('./pictures/', import.meta.url);

const n = (value: number): string => value.toFixed(1);

function stars(seed: number, count: number, width: number, height: number): string {
  const next = random(seed);
  let out = '';
  for (let i = 0; i < count; i++) {
    const size = 0.5 + next() ** 4 * 2.6;
    const warm = next();
    const colour = warm < 0.15 ? '#ffd9a8' : warm < 0.4 ? '#cfe0ff' : '#ffffff';
    out += `<circle cx="${n(next() * width)}" cy="${n(next() * height)}" r="${size.toFixed(2)}" fill="${colour}" opacity="${(0.35 + next() * 0.65).toFixed(2)}"/>`;
  }
  return out;
}

const dusk = (id: string, stops: [number, string][]): string =>
  `<linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1">${stops.map(([at, colour]) => `<stop offset="${at}" stop-color="${colour}"/>`).join('')}</linearGradient>`;

function hill(width: number, height: number, top: number, bulge: number, colour: string): string {
  return `<path d="M0 ${n(top)} C ${n(width * 0.3)} ${n(top - bulge)}, ${n(width * 0.7)} ${n(top - bulge)}, ${n(width)} ${n(top + bulge * 0.2)} L ${width} ${height} L 0 ${height} Z" fill="${colour}"/>`;
}

/** A row of firs along a ridge. */
function firs(
  seed: number,
  count: number,
  from: number,
  to: number,
  base: (x: number) => number,
  tall: number,
  colour: string,
): string {
  const next = random(seed);
  let out = '';
  for (let i = 0; i < count; i++) {
    const x = from + ((to - from) * (i + next() * 0.8)) / count;
    const h = tall * (0.55 + next() * 0.7);
    const w = h * 0.34;
    const y = base(x) + 6;
    out += `<path d="M${n(x)} ${n(y - h)} L${n(x + w)} ${n(y)} L${n(x - w)} ${n(y)} Z" fill="${colour}"/>`;
  }
  return out;
}

/** An observatory dome: drum, half sphere with ribs, an open slit with a telescope against the light. */
function dome(x: number, y: number, r: number): string {
  const ribs = [-0.62, -0.34, 0.34, 0.62]
    .map(
      (k) =>
        `<path d="M${n(x + k * r)} ${n(y)} Q ${n(x + k * r * 0.9)} ${n(y - r * 0.75)} ${n(x + k * r * 0.1)} ${n(y - r)}" stroke="#8d97ac" stroke-width="${n(r * 0.008)}" fill="none" opacity="0.55"/>`,
    )
    .join('');
  return `
  <defs>
    <linearGradient id="shell" x1="0" y1="0" x2="1" y2="0.25"><stop offset="0" stop-color="#eef1f6"/><stop offset="0.55" stop-color="#c3cad8"/><stop offset="1" stop-color="#737f98"/></linearGradient>
    <linearGradient id="drum" x1="0" y1="0" x2="1" y2="0"><stop offset="0" stop-color="#a9b2c4"/><stop offset="0.5" stop-color="#7e899f"/><stop offset="1" stop-color="#4a546b"/></linearGradient>
    <linearGradient id="inside" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#1a1420"/><stop offset="1" stop-color="#e07b39"/></linearGradient>
  </defs>
  <rect x="${n(x - r * 1.06)}" y="${n(y - r * 0.02)}" width="${n(r * 2.12)}" height="${n(r * 0.62)}" fill="url(#drum)"/>
  <rect x="${n(x - r * 1.1)}" y="${n(y - r * 0.05)}" width="${n(r * 2.2)}" height="${n(r * 0.09)}" fill="#d5dae4"/>
  <path d="M${n(x - r)} ${n(y)} A ${n(r)} ${n(r)} 0 0 1 ${n(x + r)} ${n(y)} Z" fill="url(#shell)"/>
  ${ribs}
  <path d="M${n(x - r * 0.13)} ${n(y - r * 0.04)} L${n(x - r * 0.13)} ${n(y - r * 0.985)} A ${n(r)} ${n(r)} 0 0 1 ${n(x + r * 0.17)} ${n(y - r * 0.98)} L${n(x + r * 0.17)} ${n(y - r * 0.04)} Z" fill="url(#inside)"/>
  <g transform="translate(${n(x + r * 0.02)} ${n(y - r * 0.3)}) rotate(-62)"><rect x="${n(-r * 0.1)}" y="${n(-r * 0.045)}" width="${n(r * 0.5)}" height="${n(r * 0.09)}" rx="${n(r * 0.02)}" fill="#15111c"/><rect x="${n(r * 0.36)}" y="${n(-r * 0.06)}" width="${n(r * 0.08)}" height="${n(r * 0.12)}" fill="#0c0a12"/></g>
  <rect x="${n(x - r * 0.16)}" y="${n(y + r * 0.2)}" width="${n(r * 0.32)}" height="${n(r * 0.4)}" rx="${n(r * 0.02)}" fill="#2a2433"/>
  <rect x="${n(x - r * 0.11)}" y="${n(y + r * 0.26)}" width="${n(r * 0.22)}" height="${n(r * 0.34)}" fill="#f0a24a" opacity="0.85"/>`;
}

function domeAtDusk(width: number, height: number, place: { x: number; y: number; r: number }): string {
  const ridge = (x: number) => place.y + place.r * 0.62 + ((x - place.x) / width) ** 2 * height * 0.3;
  return `<defs>${dusk('sky', [
    [0, '#0b1330'],
    [0.45, '#26366b'],
    [0.72, '#6f5a86'],
    [0.88, '#d98a63'],
    [1, '#f3bd78'],
  ])}</defs>
  <rect width="${width}" height="${height}" fill="url(#sky)"/>${stars(7, Math.round(width * height * 0.00024), width, height * 0.6)}
  <circle cx="${n(width * 0.83)}" cy="${n(height * 0.17)}" r="${n(height * 0.035)}" fill="#fff4d6"/><circle cx="${n(width * 0.815)}" cy="${n(height * 0.163)}" r="${n(height * 0.034)}" fill="#16224a"/>
  ${hill(width, height, height * 0.86, height * 0.1, '#2b3358')}
  ${dome(place.x, place.y, place.r)}
  <path d="M0 ${n(ridge(0))} Q ${n(place.x)} ${n(place.y + place.r * 0.3)} ${width} ${n(ridge(width))} L${width} ${height} L0 ${height} Z" fill="#0e1a1c"/>
  ${firs(3, 16, 0, width * 0.24, ridge, height * 0.13, '#0b1516')}${firs(5, 14, width * 0.8, width, ridge, height * 0.1, '#0b1516')}`;
}

function milkyWay(width: number, height: number): string {
  const next = random(41);
  let band = '';
  for (let i = 0; i < 900; i++) {
    const along = next();
    const across = (next() + next() + next() - 1.5) * 0.24;
    const x = width * (along * 1.2 - 0.1);
    const y = height * (0.95 - along * 0.95 + across);
    band += `<circle cx="${n(x)}" cy="${n(y)}" r="${(0.4 + next() * 1.1).toFixed(2)}" fill="#fff" opacity="${(0.2 + next() * 0.5).toFixed(2)}"/>`;
  }
  const ridge = () => height * 0.86;
  return `<defs>${dusk('sky', [
    [0, '#060a1c'],
    [0.6, '#14224a'],
    [1, '#2d3f6e'],
  ])}
    <radialGradient id="glow"><stop offset="0" stop-color="#cdbfff" stop-opacity="0.34"/><stop offset="1" stop-color="#cdbfff" stop-opacity="0"/></radialGradient></defs>
  <rect width="${width}" height="${height}" fill="url(#sky)"/>
  <g transform="translate(${width / 2} ${height * 0.48}) rotate(-36)"><ellipse rx="${width * 0.72}" ry="${height * 0.2}" fill="url(#glow)"/><ellipse rx="${width * 0.55}" ry="${height * 0.1}" fill="url(#glow)"/></g>
  ${band}${stars(12, 420, width, height * 0.9)}
  ${hill(width, height, height * 0.9, height * 0.07, '#070d14')}
  ${firs(9, 20, 0, width * 0.55, ridge, height * 0.09, '#070d14')}
  ${[0.66, 0.71, 0.78].map((at, i) => `<g fill="#05090f"><circle cx="${n(width * at)}" cy="${n(height * (0.772 + i * 0.006))}" r="${n(height * 0.017)}"/><path d="M${n(width * at - height * 0.02)} ${n(height * 0.885)} q ${n(height * 0.02)} ${n(-height * 0.19)} ${n(height * 0.04)} 0 Z"/></g>`).join('')}`;
}

function telescope(width: number, height: number): string {
  const x = width * 0.5;
  const y = height * 0.5;
  const tube = `<g transform="translate(${n(x)} ${n(y)}) rotate(-38)">
    <rect x="${-width * 0.34}" y="-46" width="${width * 0.62}" height="92" rx="10" fill="url(#tube)"/>
    <rect x="${width * 0.26}" y="-60" width="${width * 0.12}" height="120" rx="8" fill="#27304d"/>
    <rect x="${-width * 0.36}" y="-38" width="40" height="76" rx="8" fill="#27304d"/>
    <rect x="${-width * 0.43}" y="-16" width="70" height="32" rx="6" fill="#1b2138"/>
    <rect x="${-width * 0.2}" y="-80" width="170" height="22" rx="8" fill="#39456b"/>
    <rect x="-40" y="-52" width="22" height="104" fill="#e9a820"/><rect x="40" y="-52" width="12" height="104" fill="#e9a820"/></g>`;
  const legs = [-190, 20, 210]
    .map(
      (dx) =>
        `<path d="M${n(x - 14)} ${n(y + 90)} L${n(x + dx - 12)} ${height} L${n(x + dx + 14)} ${height} L${n(x + 16)} ${n(y + 90)} Z" fill="#5d4431"/>`,
    )
    .join('');
  return `<defs>${dusk('sky', [
    [0, '#101b3e'],
    [0.7, '#324a86'],
    [1, '#8f78a6'],
  ])}<linearGradient id="tube" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#f4f1e8"/><stop offset="0.6" stop-color="#cbc7bd"/><stop offset="1" stop-color="#8b8a91"/></linearGradient></defs>
  <rect width="${width}" height="${height}" fill="url(#sky)"/>${stars(23, 260, width, height * 0.8)}
  ${legs}${tube}<circle cx="${n(x)}" cy="${n(y + 40)}" r="58" fill="#1b2138"/><circle cx="${n(x)}" cy="${n(y + 40)}" r="22" fill="#e9a820"/>`;
}

function starChart(width: number, height: number): string {
  const next = random(77);
  const cx = width / 2;
  const cy = height / 2;
  const r = Math.min(width, height) * 0.44;
  const rings = [1, 0.75, 0.5, 0.25]
    .map(
      (k) =>
        `<circle cx="${cx}" cy="${cy}" r="${n(r * k)}" fill="none" stroke="#9fb0d8" stroke-width="1.4" opacity="0.55"/>`,
    )
    .join('');
  const spokes = Array.from({ length: 12 }, (_, i) => {
    const a = (i * Math.PI) / 6;
    return `<line x1="${cx}" y1="${cy}" x2="${n(cx + r * Math.cos(a))}" y2="${n(cy + r * Math.sin(a))}" stroke="#9fb0d8" stroke-width="1" opacity="0.35"/>`;
  }).join('');
  let dots = '';
  for (let i = 0; i < 260; i++) {
    const a = next() * Math.PI * 2;
    const d = Math.sqrt(next()) * r;
    dots += `<circle cx="${n(cx + d * Math.cos(a))}" cy="${n(cy + d * Math.sin(a))}" r="${(1 + next() ** 5 * 6).toFixed(1)}" fill="#fdf3d7"/>`;
  }
  let figures = '';
  for (let i = 0; i < 9; i++) {
    const a = next() * Math.PI * 2;
    const d = (0.25 + next() * 0.6) * r;
    let x = cx + d * Math.cos(a);
    let y = cy + d * Math.sin(a);
    let path = `M${n(x)} ${n(y)}`;
    for (let k = 0; k < 4; k++) {
      x += (next() - 0.5) * r * 0.3;
      y += (next() - 0.5) * r * 0.3;
      path += ` L${n(x)} ${n(y)}`;
      figures += `<circle cx="${n(x)}" cy="${n(y)}" r="5" fill="#fff"/>`;
    }
    figures += `<path d="${path}" stroke="#e9a820" stroke-width="2.2" fill="none"/>`;
  }
  return `<rect width="${width}" height="${height}" fill="#152347"/><circle cx="${cx}" cy="${cy}" r="${n(r * 1.06)}" fill="#0d1735" stroke="#e9d9a8" stroke-width="3"/>${rings}${spokes}<clipPath id="disc"><circle cx="${cx}" cy="${cy}" r="${n(r)}"/></clipPath><g clip-path="url(#disc)">${dots}${figures}</g>`;
}

/** The moon lit from a phase: 0 new, 0.5 full, 1 new again. */
function moon(x: number, y: number, r: number, phase: number): string {
  const k = Math.cos(phase * Math.PI * 2);
  const right = phase <= 0.5;
  const lit = `M${n(x)} ${n(y - r)} A ${r} ${r} 0 0 ${right ? 1 : 0} ${n(x)} ${n(y + r)} A ${n(Math.abs(k) * r)} ${r} 0 0 ${k > 0 === right ? 0 : 1} ${n(x)} ${n(y - r)} Z`;
  const next = random(5);
  const craters = Array.from({ length: 9 }, () => {
    const a = next() * 6.283;
    const d = Math.sqrt(next()) * r * 0.8;
    return `<circle cx="${n(x + d * Math.cos(a))}" cy="${n(y + d * Math.sin(a))}" r="${n(r * (0.05 + next() * 0.12))}" fill="#b9ad8f" opacity="0.5"/>`;
  }).join('');
  const id = `m${Math.round(x)}`;
  return `<circle cx="${n(x)}" cy="${n(y)}" r="${r}" fill="#23315a"/><clipPath id="${id}"><path d="${lit}"/></clipPath><g clip-path="url(#${id})"><circle cx="${n(x)}" cy="${n(y)}" r="${r}" fill="#f4ecd8"/>${craters}</g>`;
}

function moonPhases(width: number, height: number): string {
  const phases = [0.04, 0.14, 0.25, 0.36, 0.5, 0.64, 0.75, 0.86, 0.96];
  const step = width / phases.length;
  return `<rect width="${width}" height="${height}" fill="#0f1830"/>${phases.map((phase, i) => moon(step * (i + 0.5), height / 2, Math.round(step * 0.36), phase)).join('')}`;
}

function card(width: number, height: number, seed: number, subject: string): string {
  return `<defs>${dusk('sky', [
    [0, '#0a1029'],
    [1, '#1d2f60'],
  ])}</defs><rect width="${width}" height="${height}" fill="url(#sky)"/>${stars(seed, 160, width, height)}${subject}`;
}

function saturn(width: number, height: number): string {
  const r = height * 0.22;
  return card(
    width,
    height,
    31,
    `<defs><linearGradient id="globe" x1="0" y1="0" x2="0.3" y2="1"><stop offset="0" stop-color="#f6e3b4"/><stop offset="0.5" stop-color="#d9b274"/><stop offset="1" stop-color="#8f6a45"/></linearGradient></defs>
  <g transform="translate(${width / 2} ${height / 2}) rotate(-18)"><ellipse rx="${r * 2.2}" ry="${r * 0.62}" fill="none" stroke="#c9b48a" stroke-width="${r * 0.3}" opacity="0.9"/><circle r="${r}" fill="url(#globe)"/><path d="M${-r * 2.2} 0 A ${r * 2.2} ${r * 0.62} 0 0 0 ${r * 2.2} 0" fill="none" stroke="#e2cfa2" stroke-width="${r * 0.3}"/></g>`,
  );
}

function cluster(width: number, height: number): string {
  const next = random(90);
  let out = '';
  for (let i = 0; i < 420; i++) {
    const a = next() * 6.2832;
    const d = next() ** 1.8 * height * 0.42;
    out += `<circle cx="${n(width / 2 + d * Math.cos(a) * 1.15)}" cy="${n(height / 2 + d * Math.sin(a))}" r="${(0.8 + next() ** 3 * 2.6).toFixed(2)}" fill="${next() < 0.3 ? '#ffd9a0' : '#e6edff'}"/>`;
  }
  return card(width, height, 55, out);
}

const DRAWINGS: Record<
  string,
  { width: number; height: number; draw: (width: number, height: number) => string }
> = {
  'dome-at-dusk': {
    width: 1400,
    height: 1200,
    draw: (w, h) => domeAtDusk(w, h, { x: w * 0.47, y: h * 0.66, r: h * 0.27 }),
  },
  'dome-close': {
    width: 1080,
    height: 810,
    draw: (w, h) => domeAtDusk(w, h, { x: w * 0.5, y: h * 0.7, r: h * 0.4 }),
  },
  'milky-way': { width: 1400, height: 1050, draw: milkyWay },
  telescope: { width: 1400, height: 1050, draw: telescope },
  'star-chart': { width: 1400, height: 1050, draw: starChart },
  'moon-phases': { width: 2000, height: 240, draw: moonPhases },
  saturn: { width: 900, height: 600, draw: saturn },
  crescent: {
    width: 900,
    height: 600,
    draw: (w, h) => card(w, h, 66, moon(w / 2, h / 2, Math.round(h * 0.3), 0.16)),
  },
  cluster: { width: 900, height: 600, draw: cluster },
};

await mkdir(FOLDER, { recursive: true });
for (const [name, { width, height, draw }] of Object.entries(DRAWINGS)) {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${draw(width, height)}</svg>`;
  const info = await sharp(Buffer.from(svg))
    .webp({ quality: 82 })
    .toFile(fileURLToPath(new URL(`${name}.webp`, FOLDER)));
  console.log(`${name}.webp ${info.width}×${info.height} ${Math.round(info.size / 1024)} KB`);
}
