/** The API's description: it is valid, it is what the code says, every endpoint answers as it says, and who may not is refused. */
import { Validator } from '@seriousme/openapi-schema-validator';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { endpoints, type Endpoint, type EndpointName, type Right } from '../../api/endpoints.ts';
import { API, paths } from '../../api/paths.ts';
import type { Problem, SiteResponse } from '../../api/responses.ts';
import { newSite, writeSiteFile } from '../../core/index.ts';
import { describedApi } from '../../scripts/describedapi.ts';
import { SITE } from './editing.ts';
import { freshFolder, served, type Served } from './serving.ts';
import { startFiles } from '../startfiles.ts';

const HASH = 'ab'.repeat(32);

/** A request to each endpoint, with what is to come of it. Those that remove something come last. */
const ASKED: Record<EndpointName, { path: string; status: number; body?: unknown; headers?: HeadersInit }> = {
  health: { path: paths.health(), status: 200 },
  description: { path: paths.description(), status: 200 },
  backUp: { path: paths.backups(), status: 201 },
  listSites: { path: paths.sites(), status: 200 },
  addSite: {
    ...{ path: paths.sites(), status: 201 },
    body: writeSiteFile(
      newSite({ id: 'mill', name: 'Mill', lang: 'en', look: 'kiln', views: '4' }),
      startFiles('kiln'),
    ),
  },
  addDemo: { path: paths.demo(), status: 201 },
  demoPage: { path: paths.demoPage(), status: 200 },
  demoAsset: { path: paths.demoAsset(HASH), status: 404 },
  copySite: { path: paths.copies(SITE), status: 201, body: { name: 'A copy' } },
  archiveSite: { path: paths.archived('mill'), status: 204 },
  restoreSite: { path: paths.archived('mill'), status: 204 },
  removeSite: { path: paths.site('mill'), status: 409 },
  site: { path: paths.site(SITE), status: 200 },
  siteFile: { path: paths.file('mill'), status: 200 },
  siteZip: { path: paths.zip('mill'), status: 200 },
  page: { path: paths.page(SITE, 'home'), status: 200 },
  making: { path: paths.making(SITE), status: 200 },
  addAsset: {
    ...{ path: paths.assets(SITE), status: 201 },
    body: '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"><rect width="8" height="8"/></svg>',
    headers: { 'Content-Type': 'application/octet-stream' },
  },
  asset: { path: paths.asset(SITE, HASH), status: 404 },
  madeImage: { path: paths.made(SITE, HASH, '320.webp'), status: 404 },
  addFont: { path: paths.ownFonts(SITE), status: 422, body: 'no font' },
  ownFont: { path: paths.ownFont(SITE, HASH), status: 404 },
  font: { path: paths.font('nothing.woff2'), status: 404 },
  edit: {
    ...{ path: paths.edits(SITE), status: 200 },
    headers: { 'Idempotency-Key': '"a-first-edit"', 'If-Match': '"1"' },
    body: {
      operations: [{ op: 'set', path: '/frame/name', value: 'First' }],
      ...{ session: 'a-test', by: 'edit', sentence: 'The site is called First.' },
    },
  },
  log: { path: `${paths.edits(SITE)}?after=1`, status: 200, headers: { Accept: 'application/json' } },
  loggedEdit: { path: paths.edit(SITE, 2), status: 200 },
  steps: { path: paths.steps(SITE), status: 200 },
  preview: { path: paths.previews(SITE), status: 201 },
  publish: { path: paths.publications(SITE), status: 201, body: { note: 'The first one' } },
  publications: { path: paths.publications(SITE), status: 200 },
  publication: { path: paths.publication(SITE, 1), status: 200 },
  makeLive: { path: paths.live(SITE), status: 200, body: { number: 1 } },
  messages: { path: paths.messages(SITE), status: 200 },
  unreadMessages: { path: paths.unreadMessages(SITE), status: 200 },
  markMessages: { path: paths.messages(SITE), status: 204, body: { letters: ['none'], read: true } },
  removeMessages: { path: paths.messages(SITE), status: 204, body: { letters: ['none'] } },
  messageTable: { path: paths.messageTable(SITE, 'ask'), status: 200 },
  keepMessagesFor: { path: paths.messageRetention(SITE), status: 204, body: { days: 30 } },
  takeDown: { path: paths.live(SITE), status: 204 },
};
const names = Object.keys(ASKED) as EndpointName[];

const ask = (running: Served, name: EndpointName) => {
  const { path, body, headers } = ASKED[name];
  return fetch(running.url + path, {
    method: endpoints[name].method,
    headers: { ...(body !== undefined && { 'Content-Type': 'application/json' }), ...headers },
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
};

interface Described {
  paths: Record<string, Record<string, { operationId: string; responses: Record<string, unknown> }>>;
  components: { schemas: Record<string, object> };
}

describe('the description of the API', function () {
  this.timeout(240_000);

  it('is the one that the code gives, and is valid OpenAPI 3.1 (spec.openapis.org/oas/3.1/schema)', async () => {
    const file = join(import.meta.dirname, '../../api/openapi.json');
    const written = JSON.parse(await readFile(file, 'utf8')) as Record<string, unknown>;
    expect(written, 'npm run openapi').to.deep.equal(JSON.parse(JSON.stringify(describedApi())));
    const { valid, errors } = await new Validator().validate(structuredClone(written));
    expect(valid, JSON.stringify(errors)?.slice(0, 2000)).to.equal(true);
  });

  it('has every reference in it', () => {
    const described = describedApi() as Described;
    const referred = JSON.stringify(described).matchAll(/"\$ref":"#\/components\/schemas\/([^"]+)"/g);
    const missing = [...referred].filter(([, name]) => !(name in described.components.schemas));
    expect([...new Set(missing.map(([, name]) => name))]).to.deep.equal([]);
  });

  it('says of every endpoint what it answers', async () => {
    const running = await served();
    try {
      const described = (await (await ask(running, 'description')).json()) as Described;
      const ajv = new Ajv2020({ strict: false, formats: { 'date-time': true, uri: true, email: true } });
      ajv.addSchema(described, 'api');
      const schemas = new Map<string, ValidateFunction>();
      const valid = (name: string) => {
        const known = schemas.get(name) ?? ajv.compile({ $ref: `api#/components/schemas/${name}` });
        schemas.set(name, known);
        return known;
      };
      const operations = Object.values(described.paths).flatMap((each) => Object.values(each));
      expect(operations.map(({ operationId }) => operationId).sort()).to.deep.equal([...names].sort());
      for (const name of names) {
        const answer = await ask(running, name);
        expect(answer.status, name).to.equal(ASKED[name].status);
        const type = answer.headers.get('Content-Type')?.split(';')[0];
        if (!answer.ok) {
          const problem: unknown = await answer.json();
          expect(type, name).to.equal('application/problem+json');
          expect(valid('Problem')(problem), `${name}: ${ajv.errorsText(valid('Problem').errors)}`).to.equal(
            true,
          );
          continue;
        }
        const said = operations.find(({ operationId }) => operationId === name)?.responses[answer.status] as {
          content: Record<string, { schema?: { $ref: string } }>;
        };
        expect(said, `${name} ${answer.status}`).to.be.an('object');
        if (answer.status === 204) {
          expect([await answer.text(), said.content]).to.deep.equal(['', {}]);
          continue;
        }
        const kind = said.content[type ?? ''];
        expect(kind, `${name} ${type}`).to.be.an('object');
        const body = Buffer.from(await answer.arrayBuffer());
        if (!kind.schema) continue;
        const check = valid(kind.schema.$ref.split('/').at(-1) ?? '');
        expect(check(JSON.parse(body.toString())), `${name}: ${ajv.errorsText(check.errors)}`).to.equal(true);
      }
    } finally {
      await running.end();
    }
  });
});

describe('who asks the API', function () {
  this.timeout(120_000);

  it('is told to sign in first at every endpoint but that of health, before anything is read or done', async () => {
    const running = await served({ actorOf: () => Promise.resolve(undefined) });
    try {
      for (const name of names) {
        const answer = await ask(running, name);
        expect(answer.status, name).to.equal(name === 'health' ? 200 : 401);
        if (answer.status === 401)
          expect(((await answer.json()) as Problem).detail).to.match(/^Sign in first\. Nothing was changed/);
      }
    } finally {
      await running.end();
    }
  });

  it('may do what it is allowed to, on the sites where it is', async () => {
    const dataFolder = await freshFolder();
    const asked: [Right, string | undefined][] = [];
    const running = await served({
      dataFolder,
      actorOf: () =>
        Promise.resolve({
          id: 'a-reader',
          may(right: Right, site?: string) {
            asked.push([right, site]);
            return right === 'look' && (site === undefined || site === SITE);
          },
        }),
    });
    try {
      expect((await ask(running, 'page')).status).to.equal(200);
      expect((await fetch(running.url + paths.page('another', 'home'))).status).to.equal(403);
      for (const name of names.filter((each) => !['look', 'nothing'].includes(endpoints[each].may)))
        expect((await ask(running, name)).status, name).to.equal(403);
      const site = (await (await ask(running, 'site')).json()) as SiteResponse;
      expect([site.revision, site.live]).to.deep.equal([1, null]);
      const rights = new Set(asked.map(([right]) => right));
      const named = Object.values<Endpoint>(endpoints).map(({ may }) => may);
      expect([...rights].sort()).to.deep.equal(
        [...new Set(named)].filter((each) => each !== 'nothing').sort(),
      );
    } finally {
      await running.end();
    }
  });

  it('gets a problem in JSON also where there is nothing', async () => {
    const running = await served();
    try {
      const answer = await fetch(`${running.url}${API}/nothing`);
      expect([answer.status, answer.headers.get('Content-Type')]).to.deep.equal([
        404,
        'application/problem+json; charset=utf-8',
      ]);
    } finally {
      await running.end();
    }
  });
});
