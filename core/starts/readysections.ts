import type { Copy } from '../edits/structure/pasteelements.ts';
import type { SiteFrame } from '../site/site.ts';
import { fitted, makingFor, type Terms } from './fitting.ts';
import { button, headline, room, same, type StartContext } from './startcontext.ts';
import { contact, numbers, openingTimes, prices, questions, timetable } from './facts.ts';
import { alternatingRows, gallery, mapPicture, story, team, wordsAndPicture } from './samples.ts';
import { call, cards, quote, siteFoot, steps } from './sections.ts';
import { branch, pageOf, type Branch } from './tree.ts';

/** A section to place on any page of any site. */
export interface ReadySection {
  id: string;
  label: string;
  /** What one might look for it by, besides its label. */
  terms: string;
  make(making: StartContext): Branch;
}

/** The first section of a page: words on a band, and an image beside. */
const opening = (making: StartContext): Branch =>
  branch('section', 'opening', 'Hero', {
    style: { backgroundColour: same('{band}'), colour: same('{on-band}'), ...room(making, 112) },
    children: [
      branch('row', 'opening-row', 'Row: text + image', {
        style: { alignItems: same('center'), gap: making.widths(24, 32, 56) },
        children: [
          branch('column', 'opening-words', 'Text', {
            style: { span: making.share(6), gap: making.widths(14, 18, 22) },
            children: [
              headline('opening-title', 'What you do, in five words', 1, { colour: same('{on-band}') }),
              branch('text', 'opening-lead', 'Lead paragraph', {
                textStyle: 'lead',
                content: { text: '<p>For whom, and why it is worth their while. Two sentences at most.</p>' },
                style: { colour: same('{on-band}') },
              }),
              button(making, 'opening-button', 'Say what to do next'),
            ],
          }),
          branch('picture', 'opening-picture', 'Image', {
            style: {
              source: same(making.picture(0)),
              radius: same(making.corners.card),
              span: making.share(6),
              cropRatio: making.widths(
                { width: 3, height: 2 },
                { width: 1, height: 1 },
                { width: 4, height: 3 },
              ),
            },
          }),
        ],
      }),
    ],
  });

/** What is offered to be added, in the order in which pages are often built. */
export const READY_SECTIONS: readonly ReadySection[] = [
  {
    id: 'opening',
    label: 'Hero',
    terms: 'opening first top headline banner welcome image picture',
    make: opening,
  },
  { id: 'words-picture', label: 'Text and image', terms: 'image picture text beside', make: wordsAndPicture },
  {
    id: 'alternating',
    label: 'Alternating rows',
    terms: 'images pictures text zigzag',
    make: alternatingRows,
  },
  { id: 'cards', label: 'Three cards', terms: 'offers services features icons', make: cards },
  { id: 'story', label: 'Text and facts', terms: 'text about history list', make: story },
  { id: 'steps', label: 'Three steps', terms: 'how process numbers order', make: steps },
  { id: 'numbers', label: 'Numbers', terms: 'figures statistics counts', make: numbers },
  { id: 'prices', label: 'Prices', terms: 'price list cost tariff menu', make: prices },
  { id: 'hours', label: 'Opening hours', terms: 'days times open closed', make: openingTimes },
  { id: 'timetable', label: 'Timetable', terms: 'schedule programme agenda times', make: timetable },
  { id: 'quote', label: 'Quote', terms: 'said testimonial review', make: quote },
  { id: 'gallery', label: 'Gallery', terms: 'images pictures photos', make: gallery },
  { id: 'team', label: 'Team', terms: 'people staff persons about', make: team },
  { id: 'questions', label: 'Questions and answers', terms: 'faq details accordion help', make: questions },
  { id: 'call', label: 'Call to action', terms: 'invitation button band', make: call },
  { id: 'form', label: 'Form and address', terms: 'contact write letter booking mail', make: contact },
  { id: 'map', label: 'Map and directions', terms: 'where find travel address place', make: mapPicture },
  { id: 'footer', label: 'Footer', terms: 'foot bottom address contact', make: siteFoot },
];

/** A ready-made section on a site's terms, as copied elements are, to be put on a page; `like`: what it follows of the page. */
export function readySection(site: SiteFrame, { make, label }: ReadySection, like: Terms): Copy {
  const tree = branch('page', 'page', '', { children: [{ ...make(makingFor(site, like)), name: label }] });
  const { root, nodes } = pageOf({ id: 'page', slug: '', title: '', description: '' }, tree);
  const { [root]: holder, ...rest } = nodes;
  const { id, views, colours, spacing, assets } = site;
  return {
    ...{ site: id, page: like.page, views, colours, spacing, assets },
    roots: holder.children,
    nodes: fitted(site, rest, like),
  };
}
