import { isKeepable, LIMITS, type Operation, sure, upgraded } from '../../core/index.ts';
import { createHash } from 'node:crypto';
import type { Request, Response } from 'express';
import { EditHeaders, type EditRequest } from '../../api/requests.ts';
import type { EditResponse } from '../../api/responses.ts';
import type { EditOutcome } from '../store/history.ts';
import type { Store } from '../store/open.ts';
import { noSite } from './names.ts';
import { Refusal } from './problem.ts';
import type { Handlers } from './router.ts';
import { entryFrom } from './entry.ts';
import { streamOf } from './stream.ts';
import { validated } from './validated.ts';

/** What the headers of an edit say: `Idempotency-Key: "…"` and `If-Match: "12"`. */
async function headersOf(request: Request): Promise<EditHeaders> {
  const [key, revision] = [request.get('Idempotency-Key'), request.get('If-Match')];
  if (key === undefined) {
    throw new Refusal(400, 'An edit has a name of its own, in Idempotency-Key. Nothing was changed.');
  }
  if (revision === undefined) {
    throw new Refusal(428, 'An edit says which revision it was made on, in If-Match. Nothing was changed.');
  }
  // A string of Structured Fields (RFC 8941, §3.3.3), as the draft of the header asks.
  const given = {
    key: /^"([^"]*)"$/.exec(key)?.[1] ?? '',
    revision: Number(/^"(\d{1,9})"$/.exec(revision)?.[1] ?? NaN),
  };
  return validated(EditHeaders, given, 400);
}

/** The version of edits from before they said theirs. */
const UNSAID_VERSION = 3;

/** Operations without what the request classes add to them. */
const plainOperations = ({ operations }: EditRequest): Operation[] =>
  operations.map(({ op, path, value, id, after }) => {
    if (op === 'set') return { op, path, value };
    if (op === 'clear') return { op, path };
    return op === 'put'
      ? { op, path, id: sure(id, 'id'), after: sure(after, 'after') }
      : { op, path, id: sure(id, 'id') };
  });

/** What is answered to how an edit ended. */
function answerTo(response: Response, result: EditOutcome): EditResponse {
  switch (result.outcome) {
    case 'accepted': {
      const missed = result.missed.length > 0 && { missed: result.missed.map(entryFrom) };
      response.set('ETag', `"${result.revision}"`);
      return { revision: result.revision, ...missed };
    }
    case 'unknown':
      throw noSite();
    case 'reused':
      throw new Refusal(
        422,
        'Another edit was saved under this Idempotency-Key. Nothing was changed; give the edit a key of its own.',
        { kept: result.revision },
      );
    case 'outdated': {
      const { revision, missed } = result;
      const what = missed
        ? 'Others have changed what this edit changes; what they changed comes with this answer.'
        : 'This edit was made on a state of the site that is not remembered; read the site again.';
      throw new Refusal(
        412,
        `${what} Nothing of the edit was saved.`,
        { revision, ...(missed && { missed: missed.map(entryFrom) }) },
        { ETag: `"${revision}"` },
      );
    }
    case 'misfit':
      throw new Refusal(422, result.sentence);
    case 'invalid':
      throw new Refusal(
        422,
        `The edit would leave a site that is not valid: ${result.faults[0].sentence} Nothing was changed.`,
        { faults: result.faults },
      );
  }
}

/** The edits of a site: making them, their log, and following it. */
export function editHandlers(store: Store): Handlers<'edit' | 'log' | 'loggedEdit' | 'steps'> {
  const { history } = store;
  const stream = streamOf(store);

  /** All operations of an edit: those of the request, or, with its last part, of all parts. Undefined while some are awaited. */
  async function operationsOf(
    site: string,
    key: string,
    edit: EditRequest,
  ): Promise<Operation[] | undefined> {
    const operations = plainOperations(edit);
    const { part, parts } = edit;
    if (part === undefined || parts === undefined) return operations;
    if (part > parts) throw new Refusal(422, 'There are fewer parts than that. Nothing was changed.');
    if (part < parts) {
      if (!(await history.keepPart(site, key, part, operations))) throw noSite();
      return undefined;
    }
    const before = await history.partsOf(site, key, parts - 1);
    if (!before)
      throw new Refusal(409, 'Parts of this edit are missing. Nothing was changed; send all of them again.');
    return [...before, ...operations];
  }

  return {
    async edit({ names: { site }, body: edit, request, response }) {
      const { key, revision } = await headersOf(request);
      if (!isKeepable(edit.operations) || !isKeepable(edit.sentence)) {
        throw new Refusal(
          422,
          'The edit contains a character that is not text and cannot be saved. Nothing was changed.',
        );
      }
      const sent = await operationsOf(site, key, edit);
      if (!sent) {
        response.status(202);
        return { received: edit.part ?? 1 };
      }
      const { session, by, of, sentence } = edit;
      const made = { session, by, ...(of !== undefined && { of }), sentence };
      // Of what was sent: the same request is known again after the program has been updated.
      const fingerprint = createHash('sha256')
        .update(JSON.stringify({ ...made, operations: sent }))
        .digest('hex');
      const operations = upgraded.operations(sent, edit.version ?? UNSAID_VERSION);
      return answerTo(
        response,
        await history.edit(site, revision, { key, fingerprint, ...made, operations }),
      );
    },

    async log({ names: { site }, query: { after = 0 }, request, response }) {
      if (request.accepts(['application/json', 'text/event-stream']) === 'text/event-stream')
        return void (await stream(request, response, site, after));
      const found = await history.after(site, after);
      if (!found) throw noSite();
      const edits = found.edits && { edits: found.edits.map(entryFrom) };
      response.set('Cache-Control', 'no-store');
      return { revision: found.revision, ...edits };
    },

    async loggedEdit({ names: { site, revision }, response }) {
      const found = await history.editAt(site, revision);
      if (!found) throw new Refusal(404, 'This edit is no longer stored; what it changed stays as it is.');
      response.set('Cache-Control', 'no-store');
      return entryFrom(found);
    },

    async steps({ names: { site }, query: { before = 2 ** 31 - 1, after = 0, session }, response }) {
      const found = await history.steps(site, { after, before, session }, LIMITS.steps);
      response.set('Cache-Control', 'no-store');
      return { steps: found.map((step) => ({ ...step, madeAt: step.madeAt.toISOString() })) };
    },
  };
}
