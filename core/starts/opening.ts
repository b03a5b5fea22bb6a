import { escapeText } from '../markup/fragment.ts';
import type { Opening } from './looks.ts';
import { button, headline, isNarrow, room, same, type StartContext } from './startcontext.ts';
import { branch, type Branch } from './tree.ts';
import { nodeId } from '../elements/nodeid.ts';

/** The colours of the words, and of what is behind them. */
const GROUNDS: Record<Opening['ground'], { behind: string; words: string }> = {
  band: { behind: '{band}', words: '{on-band}' },
  soft: { behind: '{soft}', words: '{ink}' },
  paper: { behind: '{paper}', words: '{ink}' },
};

/** The words with a button: as wide as a column beside an image, or as all of the section. */
function words(making: StartContext, { centred, ground, image }: Opening): Branch {
  const { name, share, widths } = making;
  const colour = same(GROUNDS[ground].words);
  const align = same(centred ? 'center' : 'start');
  const beside = image === 'beside' || image === 'before';
  return branch('column', 'opening-words', 'Text', {
    style: {
      gap: widths(16, 20, 24),
      align,
      ...(beside && { span: share(6) }),
    },
    children: [
      headline('headline', `Welcome to ${escapeText(name)}`, 1),
      branch('text', 'lead', 'Lead paragraph', {
        textStyle: 'lead',
        content: {
          text: '<p>Say here in one or two sentences what you do, for whom, and why it is worth their while.</p>',
        },
        style: { colour, maxWidth: same({ px: 640 }), ...(centred && { blockAlign: same('center') }) },
      }),
      button(making, 'opening-button', 'Say what to do next', { blockAlign: align }),
    ],
  });
}

/** The hero at the top of the home page, with the first image of the look. */
export function opening(making: StartContext): Branch {
  const { look, widths, by, share } = making;
  const { image, ground } = look.opening;
  const beside = image === 'beside' || image === 'before';
  const { behind, words: colour } = GROUNDS[ground];
  const picture = (style: Branch['style']) =>
    branch('picture', 'opening-picture', 'Image', { style: { source: same(making.picture(0)), ...style } });
  const [shown, said] = [nodeId('opening-picture'), nodeId('opening-words')];
  const children = (): Branch[] => {
    if (beside) {
      const parts = [
        words(making, look.opening),
        picture({
          span: share(6),
          radius: same(making.corners.card),
          cropRatio: widths({ width: 3, height: 2 }, { width: 4, height: 5 }, { width: 1, height: 1 }),
        }),
      ];
      return [
        branch('row', 'opening-row', 'Row: text + image', {
          style: {
            alignItems: same('center'),
            gap: widths(28, 32, 56),
            // Where it stands first, it stands below the words all the same in views for small screens.
            ...(image === 'before' && {
              order: by((view) => (isNarrow(view) ? [said, shown] : [shown, said])),
            }),
          },
          children: parts,
        }),
      ];
    }
    return [
      words(making, look.opening),
      picture({
        cropRatio: widths({ width: 3, height: 2 }, { width: 16, height: 9 }, { width: 12, height: 5 }),
        ...(image === 'across' ? { bleed: same(true) } : { radius: same(making.corners.card) }),
      }),
    ];
  };
  return branch('section', 'opening', 'Hero', {
    style: {
      backgroundColour: same(behind),
      colour: same(colour),
      ...room(making, beside ? 88 : 96),
      ...(!beside && { gap: widths(28, 36, 48) }),
      ...(image === 'across' && { paddingBottom: same(0) }),
    },
    children: children(),
  });
}
