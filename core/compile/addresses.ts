import type { MessageForm } from '../elements/content/message.ts';
import type { ImageAddresses } from './images.ts';

/** Where things are that a page refers to, as seen from the page. */
export interface Addresses extends ImageAddresses {
  /** A page, or a place on it where that is there. */
  page(id: string, place?: string): string | undefined;
  /** Where visitors sign in, or out. */
  visitor?(way: 'in' | 'out'): string | undefined;
  /** The name by which a host knows what a form asks; absent where none takes letters. */
  formMessage?(form: MessageForm): string;
  /** A file of the shelf. */
  file?(id: string): string | undefined;
  /** The elements of a page that others link to. */
  places?(page: string): ReadonlySet<string> | undefined;
}
