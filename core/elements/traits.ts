/**
 * What kinds of element have in common. A kind names its traits, a property the traits it is for: so a new kind takes
 * all properties that suit it, and a new property reaches all kinds it suits.
 */
export type Trait =
  /** One of an extension, for its own properties. */
  | `own:${string}`
  /** Other elements stand in it. */
  | 'container'
  /** It stands in a section or a row. */
  | 'block'
  /** The page as a whole. */
  | 'page'
  /** A whole part of the page, as wide as the window. */
  | 'section'
  /** Its parts are regions, in which sections stand. */
  | 'page layout'
  /** One of the regions of a page layout. */
  | 'region'
  /** It stays at an edge of the window, whatever is read. */
  | 'edge'
  /** It takes that edge from side to side. */
  | 'strip'
  /** It lies over what is read. */
  | 'floating'
  /** It covers the whole window for a while. */
  | 'screen'
  /** Its parts stand side by side in the columns of the view. */
  | 'row'
  /** It heads what follows. */
  | 'heading'
  /** It is text to be read at length. */
  | 'running'
  /** It leads somewhere, and does nothing else. */
  | 'action'
  /** Visitors fill it in. */
  | 'form'
  /** It is one image, and nothing else. */
  | 'picture'
  | 'video'
  | 'logo'
  /** It shows nothing that somebody could miss. */
  | 'plain'
  /** It shows words. */
  | 'words'
  /** Its words run over lines. */
  | 'prose'
  /** Its words may stand in columns. */
  | 'flowing'
  /** Its lines can be aligned. */
  | 'aligned'
  /** It has a colour. */
  | 'coloured'
  /** It has a background. */
  | 'backed'
  /** A box with room between its edge and what it holds. */
  | 'box'
  /** Its parts stand apart by a gap. */
  | 'gapped'
  /** A grid in whose cells its parts stand. */
  | 'arranging'
  /** Its parts stand one below another, at its top or spread over its height. */
  | 'stack'
  /** Its parts stand side by side or one below another, as is chosen. */
  | 'directed'
  /** Its parts stand in areas and may lie over one another. */
  | 'overlaying'
  /** It shows one image that may differ by view. */
  | 'pictured'
  /** It shows images or a video that can be cropped. */
  | 'image'
  /** It lays its items out in equal columns. */
  | 'tiled'
  /** Its content is images. */
  | 'gallery'
  | 'icon'
  | 'divider'
  | 'marked list'
  | 'menu'
  /** It lists pages of the site. */
  | 'page list'
  /** Of what stands in it, exactly one shows in each view. */
  | 'alternating';
