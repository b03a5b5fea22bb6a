import { stringify } from 'csv-stringify/sync';
import type { StoredMessage } from '../store/messages.ts';
import type { Store } from '../store/open.ts';
import { noSite } from './names.ts';
import type { Handlers } from './router.ts';

/** How many messages are given at once. */
const AT_ONCE = 100;

/** All that a site keeps. */
const ALL = 1_000_000;

/** The messages of a form as a table: a row each, a column for every field that one of them has. */
function tableOf(messages: readonly StoredMessage[]): string {
  // A form may have two fields of the same name.
  const named = messages.map(({ lines }) => {
    const times = new Map<string, number>();
    return lines.map(({ label, value }) => {
      const time = (times.get(label) ?? 0) + 1;
      times.set(label, time);
      return { column: time === 1 ? label : `${label} (${time})`, value };
    });
  });
  const columns = [...new Set(named.flat().map(({ column }) => column))];
  const rows = messages.map(({ arrivedAt, page }, index) => {
    const values = new Map(named[index].map(({ column, value }) => [column, value]));
    return [arrivedAt.toISOString(), `/${page}`, ...columns.map((column) => values.get(column) ?? '')];
  });
  return stringify([['Arrived', 'Page', ...columns], ...rows], {
    bom: true,
    record_delimiter: 'windows',
    // No visitor writes what a table program would work out (OWASP, CSV Injection).
    escape_formulas: true,
  });
}

/** What visitors sent with forms. */
export const messageHandlers = ({
  letters: messages,
}: Store): Handlers<
  'messages' | 'unreadMessages' | 'markMessages' | 'removeMessages' | 'messageTable' | 'keepMessagesFor'
> => ({
  async messages({ names: { site }, query: { form, doubtful, before } }) {
    const keptFor = await messages.keptFor(site);
    if (keptFor === undefined) throw noSite();
    const found = await messages.list(site, { form, doubtful: doubtful === 'yes' }, AT_ONCE + 1, before);
    return {
      letters: found.slice(0, AT_ONCE).map(({ id, form, formName, page, lines, arrivedAt, readAt }) => ({
        ...{ id, form, formName, page, lines },
        arrivedAt: arrivedAt.toISOString(),
        read: readAt !== null,
      })),
      more: found.length > AT_ONCE,
      forms: await messages.forms(site),
      doubtful: await messages.doubtful(site),
      keptFor,
    };
  },

  unreadMessages: async ({ names }) => ({ unread: await messages.unread(names.site) }),

  async markMessages({ names, body: { letters: ids, ...marks } }) {
    await messages.mark(names.site, ids, marks);
  },

  async removeMessages({ names, body }) {
    await messages.remove(names.site, body.letters);
  },

  async messageTable({ names: { site, form }, response }) {
    const found = await messages.list(site, { form }, ALL);
    response
      .attachment(`${found.at(0)?.formName ?? 'letters'}.csv`)
      .type('text/csv; charset=utf-8')
      .send(tableOf(found));
  },

  async keepMessagesFor({ names, body }) {
    if (!(await messages.keepFor(names.site, body.days))) throw noSite();
  },
});
