import { stringify } from 'csv-stringify/sync';
import { Router } from 'express';
import { MessageNames, MessageRetentionRequest, MessagesQuery, MessagesRequest } from '../../api/requests.ts';
import type { MessagesResponse, UnreadResponse } from '../../api/responses.ts';
import type { StoredMessage } from '../store/messages.ts';
import type { Store } from '../store/open.ts';
import { namesIn, noSite } from './names.ts';
import { validated } from './validated.ts';

/** How many messages are given at once. */
const AT_ONCE = 100;

/** All that a site keeps. */
const ALL = 1_000_000;

/** The messages of a form as a table: a row each, a column for every field that one of them has. */
function tableOf(letters: readonly StoredMessage[]): string {
  // A form may have two fields of the same name.
  const named = letters.map(({ lines }) => {
    const times = new Map<string, number>();
    return lines.map(({ label, value }) => {
      const time = (times.get(label) ?? 0) + 1;
      times.set(label, time);
      return { column: time === 1 ? label : `${label} (${time})`, value };
    });
  });
  const columns = [...new Set(named.flat().map(({ column }) => column))];
  const rows = letters.map(({ arrivedAt, page }, index) => {
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

/** What visitors sent with forms, under `/api/sites`. */
export function messageRoutes({ letters }: Store): Router {
  const router = Router();

  router.get('/:site/letters', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { form, doubtful, before } = await validated(MessagesQuery, request.query);
    const keptFor = await letters.keptFor(site);
    if (keptFor === undefined) throw noSite();
    const found = await letters.list(site, { form, doubtful: doubtful === 'yes' }, AT_ONCE + 1, before);
    response.json({
      letters: found.slice(0, AT_ONCE).map(({ id, form, formName, page, lines, arrivedAt, readAt }) => ({
        ...{ id, form, formName, page, lines },
        arrivedAt: arrivedAt.toISOString(),
        read: readAt !== null,
      })),
      more: found.length > AT_ONCE,
      forms: await letters.forms(site),
      doubtful: await letters.doubtful(site),
      keptFor,
    } satisfies MessagesResponse);
  });

  router.get('/:site/letters-unread', async (request, response) => {
    const { site } = await namesIn(request.params);
    response.json({ unread: await letters.unread(site) } satisfies UnreadResponse);
  });

  router.patch('/:site/letters', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { letters: ids, ...marks } = await validated(MessagesRequest, request.body);
    await letters.mark(site, ids, marks);
    response.status(204).end();
  });

  router.delete('/:site/letters', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { letters: ids } = await validated(MessageNames, request.body);
    await letters.remove(site, ids);
    response.status(204).end();
  });

  router.get('/:site/letters/:form.csv', async (request, response) => {
    const { site, name: form } = await namesIn({ site: request.params.site, page: request.params.form });
    const found = await letters.list(site, { form }, ALL);
    response
      .attachment(`${found.at(0)?.formName ?? 'letters'}.csv`)
      .type('text/csv; charset=utf-8')
      .send(tableOf(found));
  });

  router.put('/:site/letters-kept', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { days } = await validated(MessageRetentionRequest, request.body);
    if (!(await letters.keepFor(site, days))) throw noSite();
    response.status(204).end();
  });

  return router;
}
