import type { IconNode } from 'lucide';
import type { Layered } from '../../layered/layered.ts';
import type { ContentField } from '../content/contenttypes.ts';
import type { MessageForm } from '../content/message.ts';
import type { SayMessage } from '../content/systemmessages.ts';
import type { Markup } from '../../markup/markup.ts';
import type { NodeId } from '../nodeid.ts';
import type { Part } from '../parts.ts';
import type { Declarations, GapCss } from '../properties/property.ts';
import type { SiteResources } from '../../theme/resources.ts';
import type { Trait } from '../traits.ts';
import type { View } from '../../layered/views.ts';
import { lookup } from '../../lookup.ts';

/** An image or video as a page refers to it. */
export interface MediaReference {
  url: string;
  type: string;
  name: string;
  /** px; absent for captions. */
  width?: number;
  height?: number;
}

/** A page in a page list. */
export interface ListedPage {
  href: string | undefined;
  /** The class that hides it in views that do not list it. */
  class?: string;
  /** BCP 47 tag of its language, if it differs from that of the page with the list. */
  language?: string;
  title: string;
  description: string;
  /** Date, such as `2026-11-30`. */
  date?: string;
  author?: string;
  tags: readonly string[];
  /** Its sharing image, by the id of the asset. */
  image?: string;
}

/** What a kind has to know of an element. */
export interface Filled {
  id: NodeId;
  content: Readonly<Record<string, unknown>>;
}

/** What the markup of an element is made from besides its content. */
export interface MarkupContext {
  attributes: { class: string };
  children: Markup[];
  /** What stands where the words of a field do: those of each view that has its own; nothing where there are none in any. */
  words(field: string): Markup['children'];
  /** The entries of a field: those of all views, each with the class of the views that it is for, where they differ. */
  entries<E>(field: string): { entry: E; class?: string }[];
  /** BCP 47 tag of the language that the page is written in. */
  language: string;
  /** The name by which the host knows what a form asks; undefined where no host takes letters. */
  formMessage(form: Omit<MessageForm, 'element' | 'lang'>): string | undefined;
  /** What visitors are told by itself, in the language of the page. */
  say: SayMessage;
  /** The media condition under which the element is shown; undefined where it always is. */
  shownWhen(): string | undefined;
  /** The address of a link target; undefined when it leads to a page that is gone. */
  address(link: string): string | undefined;
  /** The class of a menu's entries for a page that is not in menus everywhere; undefined for others. */
  listing(link: string): string | undefined;
  /** The pages of a page list. */
  listed(): readonly ListedPage[];
  /** Whether a link leads to the page that it stands on. */
  current(link: string): boolean;
  /** Whether there is a heading in the element, or it is one. */
  headed(): boolean;
  /** An image or video of the site by its asset; undefined when there is none. */
  media(asset: string): MediaReference | undefined;
  /** The attributes of a part's element: the class of the text style that the part takes. */
  part(part: Part): { class?: string };
  /** The heading level to print, where the page allows only one first-level heading. */
  headingLevel: number;
  /** Images are fetched only when they come near. */
  lazy: boolean;
  /** Whether the image that is printed now is the first of the page that is fetched at once: it is what visitors wait for. */
  first(): boolean;
  /** The element's own image, which may be another in each view. */
  picture?: Pictured;
  /** An image that the element shows in every view; undefined when there is none. */
  pictured(asset: string): Pictured | undefined;
}

/** What `<source>` says of an image: in which views, of which type, in which widths, and how wide it is shown. */
export interface PictureSource {
  media?: string;
  type?: string;
  srcset: string;
  sizes?: string;
  width: number;
  height: number;
}

/** An image as a page offers it: what is asked first, in this order, and what stands in for all others. */
export interface Pictured {
  sources: PictureSource[];
  img: { src: string; srcset?: string; sizes?: string; width: number; height: number };
  /** The class by which it takes over what the shelf says of it; absent where a value does that. */
  class?: string;
  /** What the shelf says that it shows; empty where it says nothing. */
  alt: string;
  /** There are views without a picture. */
  sometimes: boolean;
}

/** A part of a kind: what it is called, where it is in the markup, and what it looks like until someone says so. */
export interface KindPart {
  label: string;
  /** CSS selector within the element's markup. */
  selector: string;
  /** The text style the part takes by itself. */
  textStyle?: string;
  defaults?: Record<string, unknown>;
}

/** What a new element is made of, where that is more than its kind's initial values. */
export interface Seed {
  content?: Record<string, unknown>;
  /** Values of its own. */
  style?: Readonly<Record<string, Layered<unknown>>>;
  children?: readonly (Seed & {
    kind: string;
    /** The share of a row's columns it takes, where the view has the width for it. */
    share?: number;
  })[];
}

/** Under what a kind is offered to be added. */
export type OfferGroup = 'containers' | 'text' | 'media' | 'lists' | 'edges' | 'dividers';

/** A kind of element: all that any part of the program has to know of it. */
export interface Kind {
  name: string;
  label: string;
  /** Its sign in lists. */
  icon: IconNode;
  /** Where it is offered to be added; absent: it is made by other means. */
  offered?: OfferGroup;
  traits: readonly Trait[];
  /** What may stand inside: kinds with one of these traits; empty for what is no container. */
  accepts: readonly Trait[];
  /** Kinds with one of these may not, all the same. */
  refuses?: readonly Trait[];
  display: string;
  /**
   * How the gap between what stands in it is declared, where that is not `gap`: only between rows, as in what stacks in
   * every view, or as a custom property that its structure makes the most of.
   */
  gap?: GapCss;
  /** CSS that every element of the kind has in every view, below all that people set. */
  structure: Declarations;
  /** CSS for what is inside the element's own markup, by selector; `> …` for what stands directly in it. */
  inner?: Record<string, Declarations>;
  /** How what moves by itself does so: the declarations at the beginning and at the end, by the name of the animation. */
  keyframes?: Readonly<Record<string, { from: Declarations; to: Declarations }>>;
  /** CSS that follows from the view's grid. */
  perView?(view: View): Declarations;
  /** What properties are until someone sets them; the rest starts at the property's own initial value. */
  defaults: Record<string, unknown>;
  /** The selector of the image, video or sign inside the markup. */
  media?: string;
  parts?: Partial<Record<Part, KindPart>>;
  /** Properties that must have a value in the base view. */
  required?: readonly string[];
  /** The text style an element takes by itself. */
  textStyle?(element: Filled): string;
  content: readonly ContentField[];
  /** The content field that is the element's words on the page, editable in place. */
  words?: string;
  /** The selector of where the words stand in the markup; absent: they are all of it. */
  wordsIn?: string;
  /** All of its words stand in parts, which have colours of their own. */
  allInParts?: true;
  /** It is made of elements that are there already, never new by itself. */
  ofElements?: true;
  /** The level of the heading that an element is, 1 to 6; absent: it is none. */
  level?(element: Pick<Filled, 'content'>): number;
  /** The landmark that an element is for those who hear the page, and its name there; undefined where it is none. */
  landmark?(element: Pick<Filled, 'content'>): { role: string; label: string } | undefined;
  /** The field whose words say where its link leads: a label, or a list of links that have one each. */
  linkText?: string;
  /** It is nothing without its link: where that is hidden, so is it. */
  onlyLink?: true;
  /** Links may lead to it by its place on the page. */
  destination?: true;
  /** It can be turned into an overlay. */
  canBecomeOverlay?: true;
  /** Whether what visitors fill in arrives at the host. */
  sentToHost?(element: Pick<Filled, 'content'>): boolean;
  /** Absent: a new element has nothing but initial values. */
  seed?(site: SiteResources): Seed;
  markup(element: Filled, context: MarkupContext): Markup;
}

/** A content field's value, or what it starts with. */
export function contentOf<T>(
  kind: Pick<Kind, 'content'>,
  element: Pick<Filled, 'content'>,
  field: string,
): T {
  return (lookup(element.content, field) ??
    kind.content.find((candidate) => candidate.name === field)?.initial) as T;
}
