import { paths, type NamesIn } from './paths.ts';
import type * as requests from './requests.ts';
import type { Responses } from './responses.ts';

/** What one has to be allowed to do. Whether somebody is, is for the server to say (`server/actor.ts`). */
export type Right =
  /** Nothing: also who has not said who they are may ask. */
  | 'nothing'
  /** To look at a site, or at the list of those one may look at. */
  | 'look'
  /** To change what a site consists of. */
  | 'edit'
  /** To put a site before its visitors, and to take it from them. */
  | 'publish'
  /** To read what visitors sent, and to delete it. */
  | 'messages'
  /** To add, copy, archive and remove sites. */
  | 'sites'
  /** To look after the program itself. */
  | 'program';

/** A request class by its name: the browser needs no more of it than its type. */
type RequestName = keyof typeof requests;

type ResponseName = keyof Responses;

/** A body that is no JSON: its media type, and how large it may be is for the server to say. */
export type RawBody = 'bytes' | 'text';

/** The name of JSON, another media type, or nothing. */
type Answer = ResponseName | { media: string } | null;

/** A request that the API answers: all that the router, the browser, the description and the tests have to know of it. */
export interface Endpoint {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  path: { readonly template: string };
  /** What it does, as the API's description says it. */
  does: string;
  /** What one has to be allowed to do. */
  may: Right;
  /** The class that says what may follow the `?`. */
  query?: RequestName;
  /** The class of a JSON body, or that it is none; absent: there is no body. */
  body?: RequestName | { raw: RawBody };
  /** By status, the usual one first: the name of the JSON, a media type, or nothing. */
  answers: Readonly<Record<number, Answer | readonly Answer[]>>;
}

/** Keeps what an entry says exactly. */
const entry = <const E extends Endpoint>(endpoint: E): E => endpoint;

export const endpoints = {
  health: entry({
    ...{ method: 'GET', path: paths.health, may: 'nothing' },
    does: 'Whether the program is ready.',
    answers: { 200: 'Health' },
  }),
  description: entry({
    ...{ method: 'GET', path: paths.description, may: 'look' },
    does: 'This description.',
    answers: { 200: { media: 'application/json' } },
  }),
  backUp: entry({
    ...{ method: 'POST', path: paths.backups, may: 'program' },
    does: 'Write a backup beside the data.',
    answers: { 201: 'Backup' },
  }),
  listSites: entry({
    ...{ method: 'GET', path: paths.sites, may: 'look' },
    does: 'The sites that there are.',
    answers: { 200: 'Sites' },
  }),
  addSite: entry({
    ...{ method: 'POST', path: paths.sites, may: 'sites' },
    does: 'Import a site file.',
    body: { raw: 'text' },
    answers: { 201: 'AddedSite' },
  }),
  addDemo: entry({
    ...{ method: 'POST', path: paths.demo, may: 'sites' },
    does: 'Add the demo site.',
    answers: { 201: 'AddedSite' },
  }),
  demoPage: entry({
    ...{ method: 'GET', path: paths.demoPage, may: 'look' },
    does: 'The home page of the demo site, to look at before it is added.',
    answers: { 200: 'DemoPage' },
  }),
  demoAsset: entry({
    ...{ method: 'GET', path: paths.demoAsset, may: 'look' },
    does: 'An image or video of the demo site.',
    answers: { 200: { media: '*/*' } },
  }),
  copySite: entry({
    ...{ method: 'POST', path: paths.copies, may: 'sites' },
    does: 'Copy a site under another name.',
    body: 'CopyRequest',
    answers: { 201: 'AddedSite' },
  }),
  archiveSite: entry({
    ...{ method: 'PUT', path: paths.archived, may: 'sites' },
    does: 'Archive a site.',
    answers: { 204: null },
  }),
  restoreSite: entry({
    ...{ method: 'DELETE', path: paths.archived, may: 'sites' },
    does: 'Take a site out of the archive.',
    answers: { 204: null },
  }),
  removeSite: entry({
    ...{ method: 'DELETE', path: paths.site, may: 'sites' },
    does: 'Remove an archived site for good.',
    answers: { 204: null },
  }),
  site: entry({
    ...{ method: 'GET', path: paths.site, may: 'look' },
    does: 'What the pages of a site share, and which pages there are.',
    answers: { 200: 'Site' },
  }),
  siteFile: entry({
    ...{ method: 'GET', path: paths.file, may: 'look' },
    does: 'A site as a site file, with its images and fonts.',
    answers: { 200: { media: 'application/json' } },
  }),
  siteZip: entry({
    ...{ method: 'GET', path: paths.zip, may: 'look' },
    does: 'The pages of a site as they would be published, in a zip file.',
    answers: { 200: { media: 'application/zip' } },
  }),
  page: entry({
    ...{ method: 'GET', path: paths.page, may: 'look' },
    does: 'A page, with what it shares with the others.',
    answers: { 200: 'PageAtRevision' },
  }),
  making: entry({
    ...{ method: 'GET', path: paths.making, may: 'look' },
    does: 'How far the images are that a publication makes of others.',
    answers: { 200: 'Making' },
  }),
  addAsset: entry({
    ...{ method: 'POST', path: paths.assets, may: 'edit' },
    does: 'Store an image, a video or another file of a site.',
    body: { raw: 'bytes' },
    answers: { 201: 'Asset' },
  }),
  asset: entry({
    ...{ method: 'GET', path: paths.asset, may: 'look' },
    does: 'The bytes of a file of a site.',
    answers: { 200: { media: '*/*' } },
  }),
  madeImage: entry({
    ...{ method: 'GET', path: paths.made, may: 'look' },
    does: 'An image made of another, so many px wide, of all of it or of a part.',
    answers: { 200: { media: 'image/*' } },
  }),
  addFont: entry({
    ...{ method: 'POST', path: paths.ownFonts, may: 'edit' },
    does: 'Store a woff2 font of a site.',
    body: { raw: 'bytes' },
    answers: { 201: 'Font' },
  }),
  ownFont: entry({
    ...{ method: 'GET', path: paths.ownFont, may: 'look' },
    does: 'A font of a site.',
    answers: { 200: { media: 'font/woff2' } },
  }),
  font: entry({
    ...{ method: 'GET', path: paths.font, may: 'look' },
    does: 'A font that ships with the program.',
    answers: { 200: { media: 'font/woff2' } },
  }),
  edit: entry({
    ...{ method: 'POST', path: paths.edits, may: 'edit' },
    does: 'Make an edit. Idempotency-Key names it, If-Match says on which revision it was made.',
    body: 'EditRequest',
    answers: { 200: 'Edit', 202: 'EditPart' },
  }),
  log: entry({
    ...{ method: 'GET', path: paths.edits, may: 'look' },
    does: 'The edits after a revision; as text/event-stream also those to come.',
    query: 'LogQuery',
    answers: { 200: ['Log', { media: 'text/event-stream' }] },
  }),
  loggedEdit: entry({
    ...{ method: 'GET', path: paths.edit, may: 'look' },
    does: 'The edit that made a revision.',
    answers: { 200: 'LogEntry' },
  }),
  steps: entry({
    ...{ method: 'GET', path: paths.steps, may: 'look' },
    does: 'The last steps of a site, oldest first.',
    query: 'StepsQuery',
    answers: { 200: 'Steps' },
  }),
  preview: entry({
    ...{ method: 'POST', path: paths.previews, may: 'look' },
    does: 'Show a site as it would be published, at an address of its own.',
    answers: { 201: 'Preview' },
  }),
  publications: entry({
    ...{ method: 'GET', path: paths.publications, may: 'look' },
    does: 'The publications of a site, the last one first.',
    query: 'PublicationsQuery',
    answers: { 200: 'Publications' },
  }),
  publish: entry({
    ...{ method: 'POST', path: paths.publications, may: 'publish' },
    does: 'Publish a site. If-Match says which revision one has looked at.',
    body: 'PublishRequest',
    answers: { 201: 'LivePublication' },
  }),
  publication: entry({
    ...{ method: 'GET', path: paths.publication, may: 'look' },
    does: 'A site as it was when it was published.',
    answers: { 200: 'PublishedSite' },
  }),
  makeLive: entry({
    ...{ method: 'PUT', path: paths.live, may: 'publish' },
    does: 'Make a publication the one that visitors get.',
    body: 'PublicationName',
    answers: { 200: 'LivePublication' },
  }),
  takeDown: entry({
    ...{ method: 'DELETE', path: paths.live, may: 'publish' },
    does: 'Take a site from its visitors.',
    answers: { 204: null },
  }),
  messages: entry({
    ...{ method: 'GET', path: paths.messages, may: 'messages' },
    does: 'What visitors sent, the last first.',
    query: 'MessagesQuery',
    answers: { 200: 'Messages' },
  }),
  unreadMessages: entry({
    ...{ method: 'GET', path: paths.unreadMessages, may: 'messages' },
    does: 'How many messages nobody has read.',
    answers: { 200: 'Unread' },
  }),
  markMessages: entry({
    ...{ method: 'PATCH', path: paths.messages, may: 'messages' },
    does: 'Mark messages as read, or as perhaps from robots.',
    body: 'MessagesRequest',
    answers: { 204: null },
  }),
  removeMessages: entry({
    ...{ method: 'DELETE', path: paths.messages, may: 'messages' },
    does: 'Delete messages.',
    body: 'MessageNames',
    answers: { 204: null },
  }),
  messageTable: entry({
    ...{ method: 'GET', path: paths.messageTable, may: 'messages' },
    does: 'The messages of a form as CSV.',
    answers: { 200: { media: 'text/csv' } },
  }),
  keepMessagesFor: entry({
    ...{ method: 'PUT', path: paths.messageRetention, may: 'messages' },
    does: 'For how many days messages are kept.',
    body: 'MessageRetentionRequest',
    answers: { 204: null },
  }),
} satisfies Record<string, Endpoint>;

export type EndpointName = keyof typeof endpoints;

type Instance<N> = N extends RequestName
  ? (typeof requests)[N] extends new () => infer I
    ? I
    : never
  : undefined;

/** What an endpoint's body is read as; undefined where it has none, or none of JSON. */
export type BodyOf<E extends Endpoint> = E extends { body: infer N } ? Instance<N> : undefined;

/** What follows the `?`. */
export type QueryOf<E extends Endpoint> = E extends { query: infer N } ? Instance<N> : undefined;

type Json<A> = A extends readonly (infer Each)[]
  ? Json<Each>
  : A extends ResponseName
    ? Responses[A]
    : undefined;

/** What the handler of an endpoint returns: the JSON, or nothing where it answers with something else by itself. */
export type ResultOf<E extends Endpoint> = Json<E['answers'][keyof E['answers']]>;

/** The JSON that an endpoint answers with; undefined where that is always something else. */
export type AnswerOf<E extends Endpoint> = [Exclude<ResultOf<E>, undefined>] extends [never]
  ? undefined
  : Exclude<ResultOf<E>, undefined>;

/** The names in an endpoint's address. */
export type NamesOf<E extends Endpoint> = NamesIn<E['path']['template']>;
