import { readFileSync } from 'node:fs';
import { STATUS_CODES } from 'node:http';
import { join } from 'node:path';
// class-transformer has no other way to what its decorators have noted.
// @ts-expect-error: it has no types.
import { defaultMetadataStorage as storage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { endpoints, type Endpoint } from '../api/endpoints.ts';
import { API } from '../api/paths.ts';
import '../api/requests.ts';
import { RESPONSES } from '../api/responses.ts';
import { documentSchemas } from '../core/exchange/schema.ts';

type Settings = NonNullable<Parameters<typeof validationMetadatasToSchemas>[0]>;

const root = join(import.meta.dirname, '..');
const WITHIN = '#/components/schemas/';
const at = (name: string) => ({ $ref: WITHIN + name });

/** The names in an address, and what each may be. */
function parameters({ path, query }: Endpoint, schemas: Record<string, Schema>): object[] {
  const names = [...path.template.matchAll(/:(\w+)/g)].map(([, name]) => name);
  const asked = query ? schemas[query] : undefined;
  return [
    ...names.map((name) => ({
      ...{ name, in: 'path', required: true },
      schema: schemas.PathNames.properties?.[name] ?? { type: 'string' },
    })),
    ...Object.entries(asked?.properties ?? {}).map(([name, schema]) => ({
      ...{ name, in: 'query', required: false },
      schema,
    })),
  ];
}

interface Schema {
  properties?: Record<string, object>;
}

const contentOf = (answer: string | { media: string } | null): Record<string, object> =>
  answer === null
    ? {}
    : typeof answer === 'string'
      ? { 'application/json': { schema: at(answer) } }
      : { [answer.media]: {} };

const bodyOf = ({ body }: Endpoint): object | undefined => {
  if (body === undefined) return undefined;
  return typeof body === 'string'
    ? { content: { 'application/json': { schema: at(body) } } }
    : { required: true, content: { [body.raw === 'text' ? 'application/json' : '*/*']: {} } };
};

/** Schemas of several sources, each name once. */
function together(...sources: readonly Readonly<Record<string, object>>[]): Record<string, object> {
  const all: Record<string, object> = {};
  for (const [name, schema] of sources.flatMap((source) => Object.entries(source))) {
    if (name in all) throw new RangeError(`Two schemas are called ${name}.`);
    all[name] = schema;
  }
  return all;
}

/** Every endpoint as OpenAPI 3.1 describes it (https://spec.openapis.org/oas/v3.1.1.html). */
export function describedApi(): object {
  const asked = validationMetadatasToSchemas({
    classTransformerMetadataStorage: storage as Settings['classTransformerMetadataStorage'],
    refPointerPrefix: WITHIN,
  }) as Record<string, Schema>;
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, endpoint] of Object.entries<Endpoint>(endpoints)) {
    const { method, path, does, may, answers } = endpoint;
    const body = bodyOf(endpoint);
    const responses = Object.entries(answers).map(([status, answer]) => [
      status,
      {
        description: STATUS_CODES[status] ?? status,
        content: Object.assign({}, ...[answer].flat().map(contentOf)) as object,
      },
    ]);
    (paths[API + path.template.replace(/:(\w+)/g, '{$1}')] ??= {})[method.toLowerCase()] = {
      ...{ operationId: name, summary: does, 'x-right': may },
      parameters: parameters(endpoint, asked),
      ...(body && { requestBody: body }),
      responses: {
        ...(Object.fromEntries(responses) as object),
        default: {
          description: 'A problem (RFC 9457): a sentence says what happened, what is safe and what to do.',
          content: { 'application/problem+json': { schema: at('Problem') } },
        },
      },
    };
  }
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { version: string };
  return {
    openapi: '3.1.1',
    info: { title: 'Dimorphe', version, description: 'Everything the workbench does goes through this API.' },
    paths,
    components: { schemas: together(asked, documentSchemas(WITHIN), RESPONSES) },
  };
}
