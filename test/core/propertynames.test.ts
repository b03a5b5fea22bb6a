import { expect } from 'chai';
import { PROPERTIES } from '../../core/index.ts';
import * as area from '../../core/elements/properties/area.ts';
import * as background from '../../core/elements/properties/background.ts';
import * as border from '../../core/elements/properties/border.ts';
import * as edge from '../../core/elements/properties/edge.ts';
import * as picture from '../../core/elements/properties/image.ts';
import * as particular from '../../core/elements/properties/kindspecific.ts';
import * as layout from '../../core/elements/properties/layout.ts';
import * as page from '../../core/elements/properties/page.ts';
import * as text from '../../core/elements/properties/text.ts';

describe('The name of a property', () => {
  it('is the one by which its file exports it, as the types of values are read from there', () => {
    const known = new Set<unknown>(PROPERTIES);
    const files = [area, background, border, edge, picture, particular, layout, page, text];
    const exported = files
      .flatMap((file): [string, unknown][] => Object.entries(file))
      .filter(([, value]) => known.has(value));
    expect(exported.map(([name]) => name)).to.deep.equal(
      exported.map(([, value]) => (value as { name: string }).name),
    );
    const sides = /^(?:padding|margin|border)(?:Top|Right|Bottom|Left)$/;
    const rest = PROPERTIES.filter(({ name, wording }) => !wording && !sides.test(name));
    expect(exported.map(([name]) => name)).to.have.members(rest.map(({ name }) => name));
  });
});
