import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import { STATUS_CODES } from 'node:http';
import type { Problem } from '../../api/responses.ts';
import { LIMITS } from '../../core/index.ts';
import { FileDamaged } from '../store/files.ts';
import { StateOfLaterVersion } from '../store/states.ts';
import { FolderRefused } from '../store/folder.ts';
import { troubleOf } from '../store/storefaults.ts';

type Extra = Pick<Problem, 'faults' | 'kept' | 'missed' | 'revision'>;

/** A refusal that becomes a problem answer. Thrown by routes; everything else that is thrown is our own fault. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly more: Extra = {},
    readonly headers: Record<string, string> = {},
  ) {
    super(detail);
  }
}

function answer(response: Response, status: number, detail: string, more: Extra = {}): void {
  const problem: Problem = {
    type: 'about:blank',
    title: STATUS_CODES[status] ?? 'Problem',
    status,
    detail,
    ...more,
  };
  response.status(status).type('application/problem+json').send(JSON.stringify(problem));
}

export const notFound: RequestHandler = (_request, response) => {
  answer(
    response,
    404,
    'There is nothing at this address. Go back to the list of sites and start from there.',
  );
};

/** Turns what routes throw into problem answers (RFC 9457); never a stack trace. */
export const problems =
  (log: (error: unknown) => void): ErrorRequestHandler =>
  (error, _request, response, _next) => {
    // Half way through an answer nothing can be said any more: it ends, so that nobody takes it for whole.
    if (response.headersSent || response.destroyed) {
      if ((error as { code?: string }).code !== 'ERR_STREAM_PREMATURE_CLOSE') log(error);
      response.destroy();
      return;
    }
    if (error instanceof Refusal) {
      response.set(error.headers);
      return answer(response, error.status, error.detail, error.more);
    }
    switch ((error as { type?: string }).type) {
      case 'entity.too.large':
        return answer(
          response,
          413,
          `The request is larger than ${((error as { limit?: number }).limit ?? LIMITS.request) / 1_000_000} MB. Nothing was changed.`,
        );
      case 'entity.verify.failed':
        return answer(response, 400, 'The request is nested too deep. Nothing was changed.');
      case 'entity.parse.failed':
        return answer(response, 400, 'The request is not valid JSON. Nothing was changed.');
      case 'encoding.unsupported':
      case 'charset.unsupported':
        return answer(
          response,
          415,
          'The request comes in an encoding that is not understood. Nothing was changed.',
        );
    }
    // What reading a body throws says so by its status; a damaged compression by the code of zlib.
    const { status, code = '' } = error as { status?: number; code?: string };
    if (
      (status !== undefined && status >= 400 && status < 500) ||
      /^(Z_|ERR_(_ERROR_FORMAT|BROTLI|_))/.test(code)
    )
      return answer(response, status ?? 400, 'The request cannot be read. Nothing was changed.');
    if (error instanceof URIError) return answer(response, 400, 'The address is malformed.');
    log(error);
    if (error instanceof FileDamaged) return answer(response, 500, error.message);
    if (error instanceof FolderRefused) return answer(response, 409, error.message);
    if (error instanceof StateOfLaterVersion) return answer(response, 409, error.message);
    const trouble = troubleOf(error);
    if (trouble) return answer(response, trouble.status, trouble.sentence);
    return answer(
      response,
      500,
      'Something went wrong on our side. Nothing was changed; try again in a moment.',
    );
  };
