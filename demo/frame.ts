import {
  FORMAT,
  FORMAT_VERSION,
  type Asset,
  layered,
  type Layered,
  type WrittenSite,
  type TextStyle,
  type View,
  type ViewId,
} from '../core/index.ts';

const view = (id: string, name: string, from: number, sheet: View['sheet'], grid: View['grid']): View => ({
  id: id as ViewId,
  name,
  from,
  sheet,
  grid,
});

const style = (id: string, name: string, self: Record<string, ReturnType<typeof layered>>): TextStyle => ({
  id,
  name,
  style: { self },
});

function headingStyle(
  level: number,
  size: ReturnType<typeof layered>,
  lineHeight: number,
  weight = 600,
): TextStyle {
  return style(`heading-${level}`, `Heading ${level}`, {
    family: layered('fraunces'),
    size,
    lineHeight: layered(lineHeight),
    weight: layered(weight),
  });
}

const sans = (size: ReturnType<typeof layered>, lineHeight: number, weight = 400) => ({
  family: layered('figtree'),
  size,
  lineHeight: layered(lineHeight),
  weight: layered(weight),
});

/** Everything of the observatory's site but its pages. The assets come with the image files. */
export const frame = (assets: Asset[]): Omit<WrittenSite, 'pages'> => ({
  format: FORMAT,
  version: FORMAT_VERSION,
  id: 'brindle-hill',
  name: 'Brindle Hill Observatory',
  lang: 'en',
  views: {
    base: 'desktop' as ViewId,
    list: [
      view(
        'mobile',
        'Mobile',
        0,
        { width: 390, height: 844 },
        { columns: 4, gutter: 16, margin: 20, maxWidth: 600 },
      ),
      view(
        'tablet',
        'Tablet',
        640,
        { width: 820, height: 1180 },
        { columns: 12, gutter: 24, margin: 40, maxWidth: 940 },
      ),
      view(
        'desktop',
        'Desktop',
        1024,
        { width: 1280, height: 800 },
        { columns: 12, gutter: 32, margin: 56, maxWidth: 1120 },
      ),
      view(
        'wide',
        'Wide',
        1440,
        { width: 1680, height: 1050 },
        { columns: 12, gutter: 40, margin: 80, maxWidth: 1360 },
      ),
    ],
  },
  colours: [
    { id: 'night', name: 'Night', value: '#0f1830' },
    { id: 'dusk', name: 'Dusk', value: '#1d2b4f' },
    { id: 'moon', name: 'Moon', value: '#f4ecd8' },
    { id: 'mist', name: 'Mist', value: '#c9d3e6' },
    { id: 'paper', name: 'Paper', value: '#fbf7ee' },
    { id: 'sand', name: 'Sand', value: '#f0e7d3' },
    { id: 'ink', name: 'Ink', value: '#1c2030' },
    { id: 'slate', name: 'Slate', value: '#4a5268' },
    { id: 'lamp', name: 'Lamp', value: '#f0a93b' },
  ],
  textStyles: [
    headingStyle(
      1,
      layered(64, { wide: 80, mobile: 36 }, { tablet: { min: 44, max: 56, fromWidth: 640, toWidth: 1024 } }),
      1.08,
    ),
    headingStyle(2, layered(40, { wide: 48, tablet: 34, mobile: 28 }), 1.15),
    headingStyle(3, layered(24, { mobile: 21 }), 1.25),
    headingStyle(4, layered(20), 1.3),
    headingStyle(5, layered(18), 1.35),
    headingStyle(6, layered(17, { mobile: 16 }), 1.4),
    style('lead', 'Lead', sans(layered(21, { wide: 23, tablet: 19, mobile: 18 }), 1.5)),
    style('body', 'Body', sans(layered(17, { mobile: 16 }), 1.6)),
    style('small', 'Small', sans(layered(15), 1.5)),
    style('meta', 'Meta', sans(layered(14), 1.4, 450)),
    style('button', 'Button', sans(layered(16), 1.25, 650)),
    style('quote', 'Quote', {
      family: layered('literata'),
      size: layered(28, { wide: 32, tablet: 24, mobile: 21 }),
      lineHeight: layered(1.4),
      slant: layered('italic'),
    }),
    style('caption', 'Caption', sans(layered(14), 1.45)),
    style('label', 'Label', sans(layered(15), 1.4, 600)),
    style('logo', 'Logo', {
      family: layered('fraunces'),
      size: layered(22, { mobile: 20 }),
      lineHeight: layered(1.2),
      weight: layered(700),
    }),
  ],
  spacing: [
    { id: 'xs', name: 'XS', size: { base: 8 } },
    { id: 's', name: 'S', size: layered(16, { mobile: 12 }) as Layered<number> },
    { id: 'm', name: 'M', size: layered(24, { mobile: 16 }) as Layered<number> },
    { id: 'l', name: 'L', size: layered(40, { tablet: 32, mobile: 24 }) as Layered<number> },
    { id: 'xl', name: 'XL', size: layered(72, { tablet: 56, mobile: 40 }) as Layered<number> },
    { id: 'xxl', name: 'XXL', size: layered(112, { wide: 128, tablet: 80, mobile: 56 }) as Layered<number> },
  ],
  fonts: [],
  assets,
});
