import { json, raw, Router, text, type Request, type RequestHandler, type Response } from 'express';
import type { IncomingMessage, ServerResponse } from 'node:http';
import * as requests from '../../api/requests.ts';
import {
  endpoints,
  type BodyOf,
  type Endpoint,
  type EndpointName,
  type NamesOf,
  type QueryOf,
  type ResultOf,
} from '../../api/endpoints.ts';
import { isNestedTooDeep, LIMITS } from '../../core/index.ts';
import type { Actor } from '../actor.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

/** A request as its handler gets it: everything in it has been validated, and whoever asks may. */
export interface Asked<E extends Endpoint> {
  names: Pick<requests.PathNames, NamesOf<E> & keyof requests.PathNames>;
  query: QueryOf<E>;
  body: BodyOf<E>;
  actor: Actor;
  request: Request;
  response: Response;
}

/** Answers a request: with the JSON that its endpoint names, or, where that is something else, by itself. */
export type Handler<E extends Endpoint> = (asked: Asked<E>) => Promise<ResultOf<E>>;

/** A handler for each of some endpoints. */
export type Handlers<N extends EndpointName> = { [Name in N]: Handler<(typeof endpoints)[Name]> };

/** Says who asks; undefined where that is not known. */
export type ActorOf = (request: Request) => Promise<Actor | undefined>;

/** Refuses a body whose parts are nested so deep that reading them would run out of stack. */
function notTooDeep(_request: IncomingMessage, _response: ServerResponse, body: Buffer): void {
  if (isNestedTooDeep(body.toString('latin1'))) throw new RangeError('nested too deep');
}

const readJson = json({ limit: LIMITS.request, type: 'application/json', verify: notTooDeep });

/** Reads a body that is no JSON, or more of it than usual: by the name of its endpoint. */
const RAW: Partial<Record<EndpointName, RequestHandler>> = {
  addSite: text({ type: 'application/json', limit: LIMITS.siteFile }),
  addAsset: raw({ type: () => true, limit: LIMITS.asset }),
  addFont: raw({ type: ['font/woff2', 'application/octet-stream'], limit: LIMITS.font }),
};

const METHODS = { GET: 'get', POST: 'post', PUT: 'put', PATCH: 'patch', DELETE: 'delete' } as const;

/** Lets only those pass who may do what an endpoint does. What they may do is asked before anything of the request is read. */
const guard =
  ({ may }: Endpoint, actorOf: ActorOf): RequestHandler =>
  async (request, response, next) => {
    const actor = await actorOf(request);
    if (!actor && may !== 'nothing')
      throw new Refusal(401, 'Sign in first. Nothing was changed; what you did is not lost.');
    const { site } = request.params as { site?: string };
    if (may !== 'nothing' && !actor?.may(may, site))
      throw new Refusal(403, 'You are not allowed to do this. Nothing was changed.');
    response.locals.actor = actor;
    next();
  };

/** The routes of `api/endpoints.ts`, all of them, each answered by the handler of its name. */
export function routes(handlers: Handlers<EndpointName>, actorOf: ActorOf): Router {
  const router = Router();
  for (const [key, endpoint] of Object.entries<Endpoint>(endpoints)) {
    const name = key as EndpointName;
    const { method, path, query, body, answers } = endpoint;
    const handler = handlers[name] as unknown as Handler<Endpoint>;
    const readers = typeof body === 'string' ? [readJson] : (RAW[name] ?? []);
    const status = Number(Object.keys(answers)[0]);
    router[METHODS[method]](
      path.template,
      guard(endpoint, actorOf),
      readers,
      async (request: Request, response: Response) => {
        const asked = {
          names: await validated(requests.PathNames, { ...request.params }, 404),
          query: query && (await validated<object>(requests[query], { ...request.query }, 400)),
          body: typeof body === 'string' && (await validated<object>(requests[body], request.body ?? {})),
          ...{ actor: response.locals.actor as Actor, request, response },
        };
        const answer: unknown = await handler(asked as unknown as Asked<Endpoint>);
        if (answers[status] === null) response.status(status).end();
        else if (answer !== undefined)
          response.status(response.statusCode === 200 ? status : response.statusCode).json(answer);
      },
    );
  }
  return router;
}
