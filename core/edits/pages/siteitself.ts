import { languageName } from '../../markup/language.ts';
import { schemaFaults } from '../../faults.ts';
import { done, refused } from '../../outcome.ts';
import { isImage } from '../../theme/resources.ts';
import { SiteFrameSchema } from '../../site/site.ts';
import type { Command } from '../command.ts';

export interface ChangeSite {
  name?: string;
  /** BCP 47 tag of the language the site is written in. */
  lang?: string;
  /** The image that stands for it, by its id; null: none. */
  icon?: string | null;
}

/** Changes what the site itself is called, the language it is written in, and the image that stands for it. Its address stays. */
export const changeSite: Command<ChangeSite> = {
  on: () => 'frame',
  run(site, _page, given) {
    const name = (given.name ?? site.name).replace(/\s+/g, ' ').trim();
    const lang = (given.lang ?? site.lang).trim();
    const [inName] = schemaFaults(SiteFrameSchema.properties.name, name);
    if (inName) return refused('The name of a site has 1 to 80 characters. Nothing was changed.');
    const [inLanguage] = schemaFaults(SiteFrameSchema.properties.lang, lang);
    if (inLanguage) return refused(`“${lang}” isn’t a language. Nothing was changed.`);
    const icon = given.icon === undefined ? site.icon : (given.icon ?? undefined);
    const picture = site.assets.find(({ id }) => id === icon);
    if (icon !== undefined && !(picture && isImage(picture)))
      return refused('The image is no longer on the shelf. Nothing was changed.');
    const sentences = [
      ...(name === site.name ? [] : [`name → ${name}`]),
      ...(lang === site.lang ? [] : [`language → ${languageName(lang)}`]),
      ...(icon === site.icon ? [] : [picture ? `its icon is ${picture.name}` : 'no image as its icon']),
    ];
    const before = site.name;
    site.name = name;
    site.lang = lang;
    if (icon === undefined) delete site.icon;
    else site.icon = icon;
    return done(`${before}: ${sentences.join(', ') || 'unchanged'}`);
  },
};
