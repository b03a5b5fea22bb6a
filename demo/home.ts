import { branch, layered, pageOf, type Branch } from '../core/index.ts';

const opening = branch('section', 'opening', 'Opening: the dome opens at dusk', {
  style: {
    backgroundColour: layered('{night}'),
    colour: layered('{moon}'),
    paddingTop: layered(72, { wide: 96, tablet: 48, mobile: 24 }),
    paddingBottom: layered(112, { wide: 144, tablet: 72, mobile: 48 }),
  },
  children: [
    branch('row', 'opening-row', 'Row: text + dome', {
      style: {
        alignItems: layered('center'),
        gap: layered(56, { tablet: 40, mobile: 28 }),
        order: layered(undefined, { mobile: ['dome', 'opening-words'] }),
      },
      children: [
        branch('column', 'opening-words', 'Text', {
          style: {
            span: layered(7, { tablet: 12 }),
            gap: layered(24, { mobile: 16 }),
            align: layered('start', { mobile: 'center' }),
          },
          children: [
            branch('heading', 'headline', 'Headline', {
              content: { text: 'The dome opens at dusk. Bring a coat.', level: 1 },
              style: { size: layered(undefined, { mobile: 34 }) },
            }),
            branch('text', 'lead', 'Lead paragraph', {
              textStyle: 'lead',
              content: {
                text: '<p>Public stargazing every clear Friday from the hilltop, with a volunteer at each of our five telescopes and cocoa in the warm room.</p>',
              },
              style: { colour: layered('{mist}') },
            }),
            branch('button', 'book', 'Book a night', {
              content: { label: 'Book a night', link: 'page:visits' },
              style: {
                backgroundColour: layered('{lamp}'),
                colour: layered('{night}'),
                blockAlign: layered('start', { mobile: 'stretch' }),
              },
            }),
          ],
        }),
        branch('picture', 'dome', 'Dome image', {
          content: { alt: 'The observatory dome at dusk, its slit open to the sky and the door lit.' },
          style: {
            span: layered(5, { tablet: 12 }),
            source: layered('dome-at-dusk', { tablet: 'dome-close' }),
          },
        }),
      ],
    }),
  ],
});

/** A row of words and a picture. The even ones show the image first; stacked, every row starts with its picture. */
function nightRow(
  id: string,
  name: string,
  title: string,
  words: string,
  picture: string,
  alt: string,
  imageFirst: boolean,
): Branch {
  const wordsId = `${id}-words`;
  const pictureId = `${id}-picture`;
  const column = branch('column', wordsId, `${name}: words`, {
    style: {
      span: layered(6, { mobile: 4 }),
      gap: layered(16, { mobile: 8 }),
      paddingLeft: layered(imageFirst ? 24 : 0, { mobile: 0 }),
      paddingRight: layered(imageFirst ? 0 : 24, { mobile: 0 }),
    },
    children: [
      branch('heading', `${id}-title`, `${name}: title`, { content: { text: title, level: 3 } }),
      branch('text', `${id}-text`, `${name}: text`, {
        content: { text: words },
        style: { colour: layered('{slate}') },
      }),
    ],
  });
  const image = branch('picture', pictureId, `${name}: image`, {
    content: { alt },
    style: { span: layered(6, { mobile: 4 }), source: layered(picture) },
  });
  return branch('row', id, `Row: ${name.toLowerCase()}`, {
    style: {
      alignItems: layered('center'),
      gap: layered(48, { tablet: 32, mobile: 20 }),
      ...(imageFirst ? {} : { order: layered(undefined, { mobile: [pictureId, wordsId] }) }),
    },
    children: imageFirst ? [image, column] : [column, image],
  });
}

const evening = branch('section', 'evening', 'How an evening goes', {
  style: {
    backgroundColour: layered('{paper}'),
    gap: layered(80, { tablet: 56, mobile: 48 }),
    paddingTop: layered(112, { tablet: 80, mobile: 56 }),
    paddingBottom: layered(112, { tablet: 80, mobile: 56 }),
  },
  children: [
    branch('heading', 'evening-title', 'Evening: title', {
      content: { text: 'How an evening on the hill goes', level: 2 },
      style: { align: layered('center', { mobile: 'start' }) },
    }),
    nightRow(
      'eyes',
      'Your own eyes',
      'First, twenty minutes of dark',
      '<p>We switch off every lamp and let your eyes find the Milky Way on their own. A volunteer traces the old figures with a green pointer, from the Swan down to the hill line.</p>',
      'milky-way',
      'Three visitors on the hilltop under the Milky Way.',
      false,
    ),
    nightRow(
      'glass',
      'Through the glass',
      'Then, five telescopes at once',
      '<p>Walk from one to the next: a planet, a double star, a cluster, a nebula, and whatever has just risen. <strong>No queue is longer than eight people</strong>, and there is a step for the small ones.</p>',
      'telescope',
      'A long white telescope on a wooden tripod, pointed high.',
      true,
    ),
    nightRow(
      'chart',
      'The chart room',
      'Last, a map to take home',
      '<p>In the chart room you draw tonight’s sky for your own garden:</p><ul><li>turn the disc to the hour,</li><li>prick the stars you saw,</li><li>and hold it up on the next clear night.</li></ul>',
      'star-chart',
      'A round chart of the night sky with figures drawn between the stars.',
      false,
    ),
  ],
});

function objectCard(id: string, name: string, words: string, picture: string, alt: string): Branch {
  return branch('column', id, `Card: ${name}`, {
    style: {
      span: layered(4, { mobile: 4 }),
      backgroundColour: layered('{dusk}'),
      gap: layered(12),
      paddingBottom: layered(28, { mobile: 24 }),
    },
    children: [
      branch('picture', `${id}-picture`, `${name}: image`, {
        content: { alt },
        style: { source: layered(picture) },
      }),
      branch('heading', `${id}-title`, `${name}: title`, {
        content: { text: name, level: 3 },
        style: {
          paddingLeft: layered(24, { tablet: 16 }),
          paddingRight: layered(24, { tablet: 16 }),
          paddingTop: layered(12),
        },
      }),
      branch('text', `${id}-text`, `${name}: text`, {
        content: { text: words },
        textStyle: 'small',
        style: {
          colour: layered('{mist}'),
          paddingLeft: layered(24, { tablet: 16 }),
          paddingRight: layered(24, { tablet: 16 }),
        },
      }),
    ],
  });
}

const week = branch('section', 'week', 'What is up this week', {
  style: {
    backgroundColour: layered('{night}'),
    colour: layered('{moon}'),
    gap: layered(48, { mobile: 28 }),
  },
  children: [
    branch('heading', 'week-title', 'This week: title', {
      content: { text: 'What is up this week', level: 2 },
    }),
    branch('row', 'objects', 'Three objects', {
      children: [
        objectCard(
          'saturn',
          'Saturn',
          '<p>Low in the south after supper, rings tilted our way. Best before ten.</p>',
          'saturn',
          'Saturn with its rings tilted.',
        ),
        objectCard(
          'moon',
          'The young moon',
          '<p>Four days old on Friday: look along the edge of the light for mountains.</p>',
          'crescent',
          'A thin crescent moon.',
        ),
        objectCard(
          'cluster',
          'The Ember cluster',
          '<p>Three hundred suns in one field of view, two of them the colour of coals.</p>',
          'cluster',
          'A star cluster, dense in the middle.',
        ),
      ],
    }),
  ],
});

const moonStrip = branch('section', 'moon-strip', 'Moon phase strip', {
  style: {
    backgroundColour: layered('{night}'),
    paddingTop: layered(0),
    paddingBottom: layered(72, { tablet: 56 }),
    shown: layered(undefined, { mobile: false }),
  },
  children: [
    branch('picture', 'phases', 'Moon phases', {
      content: { alt: 'Nine phases of the moon in a row, from new to new.' },
      style: { source: layered('moon-phases') },
    }),
  ],
});

const invitation = branch('section', 'invitation', 'Invitation', {
  style: { backgroundColour: layered('{sand}'), gap: layered(20), align: layered('center') },
  children: [
    branch('heading', 'invitation-title', 'Invitation: title', {
      content: { text: 'Twelve places left this Friday', level: 2 },
      style: { size: layered({ min: 28, max: 48, fromWidth: 360, toWidth: 1440 }) },
    }),
    branch('text', 'invitation-text', 'Invitation: text', {
      content: {
        text: '<p>Tickets are eight pounds, four for children. If clouds come, your ticket keeps until they go.</p>',
      },
      style: {
        width: layered({ percent: 60 }, { tablet: { percent: 80 }, mobile: { percent: 100 } }),
        blockAlign: layered('center'),
      },
    }),
    branch('button', 'invitation-button', 'Invitation: button', {
      content: { label: 'See the visits', link: 'page:visits' },
      style: {
        backgroundColour: layered('{night}'),
        colour: layered('{moon}'),
        blockAlign: layered('center', { mobile: 'stretch' }),
      },
    }),
  ],
});

export const home = pageOf(
  {
    id: 'home',
    slug: '',
    title: 'Brindle Hill Observatory',
    description:
      'Public stargazing nights on a hilltop: five telescopes, a dark sky and cocoa, every clear Friday.',
  },
  branch('page', 'page', 'Home', {
    style: { colour: layered('{ink}'), backgroundColour: layered('{paper}') },
    children: [opening, evening, week, moonStrip, invitation],
  }),
);
