/** What can be added is found by what it is for, also by the words that people have for it and the screen has not. */
import { expect } from 'chai';
import { isWanted, KIND_OFFERS, sectionOffers } from '../../web/workbench/add/offers.ts';
import { frame } from '../core/acting.ts';

describe('what can be added', () => {
  const found = (typed: string): string[] =>
    [
      ...sectionOffers(frame, { views: frame.views, page: frame.pages[0] } as never),
      ...KIND_OFFERS.flatMap(({ offers }) => offers),
    ]
      .filter((offer) => isWanted(offer, typed))
      .map(({ id }) => id);

  it('is found by common words for images, videos and text', () => {
    expect(found('picture')).to.include.members(['gallery', 'alternating', 'picture']);
    expect(found('photo')).to.include.members(['gallery', 'picture']);
    expect(found('film')).to.include('video');
    expect(found('words')).to.include('text');
    expect(found('qqq')).to.deep.equal([]);
  });
});
