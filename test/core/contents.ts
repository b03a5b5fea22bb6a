/** What elements of random pages say, by their kind. */
export const CONTENT: Record<string, Record<string, unknown>> = {
  heading: { text: 'Stars <em>above</em> us', level: 2 },
  text: {
    text: '<h3>Before you come</h3><p>Bring a coat &amp; a <a href="page:home">chair</a>.</p><ul><li>One</li></ul><blockquote><p>Mind the step.</p></blockquote>',
  },
  list: { items: [{ text: 'Coat' }, { text: 'A <a href="page:home">red</a> torch' }], sequence: 'steps' },
  quote: { text: 'I saw the <em>rings</em>.', by: 'A visitor' },
  gallery: {
    pictures: [
      { picture: 'alpha', alt: 'A hill', caption: 'The hill' },
      { picture: 'beta', alt: 'A dome', caption: '' },
    ],
  },
  video: { file: '', poster: 'beta', name: 'The dome turns', caption: 'The dome', playing: 'asked' },
  icon: { icon: 'moon', label: 'Moon' },
  logo: { name: 'Brindle', link: 'page:home' },
  social: { links: [{ icon: 'mail', label: 'Mail', link: 'mailto:a@b.example' }] },
  prices: { prices: [{ name: 'Grown-ups', price: '8', note: 'from sixteen' }] },
  hours: { caption: 'Open', hours: [{ day: 'Friday', hours: 'dusk to midnight' }] },
  form: {
    name: 'Book',
    fields: [
      { label: 'Name', type: 'text', required: true, options: '' },
      { label: 'Night', type: 'choice', required: false, options: 'Friday\nTuesday' },
      { label: 'Text', type: 'lines', required: false, options: '' },
      { label: 'Warm drink', type: 'tick', required: false, options: '' },
    ],
    send: 'Book',
    to: 'hello@b.example',
  },
  button: { label: 'Come up', link: 'page:home' },
  picture: { alt: 'A hill' },
  navigation: { label: 'Pages', links: [{ label: 'Home', link: 'page:home' }] },
};
