import { Type, type Static } from '@sinclair/typebox';
import {
  AssetSchema,
  FontSchema,
  type Operation,
  type Page,
  type Site,
  type SiteFrame,
} from '../core/index.ts';

/** A schema that core describes. */
const ofCore = <T>(name: string) => Type.Unsafe<T>({ $ref: `#/components/schemas/${name}` });

const Frame = ofCore<SiteFrame>('SiteFrame');
const Operations = Type.Array(ofCore<Operation>('OperationRequest'));

const closed = { additionalProperties: false };
/** A moment as ISO 8601 writes it, in UTC. */
const moment = () => Type.String({ format: 'date-time' });
const whole = (description?: string) => Type.Integer({ minimum: 0, ...(description && { description }) });

/** What the log of a site tells of an edit, apart from its operations. */
const LoggedSchema = Type.Object({
  key: Type.String({ description: 'Names the edit, by whoever made it, once and for all.' }),
  session: Type.String({ description: 'The window that made it.' }),
  by: Type.Union([Type.Literal('edit'), Type.Literal('undo'), Type.Literal('redo')]),
  of: Type.Optional(Type.String({ description: 'The edit that was undone or redone.' })),
  sentence: Type.String(),
});

const HealthSchema = Type.Object(
  {
    ready: Type.Literal(true),
  },
  closed,
);
export type Health = Static<typeof HealthSchema>;

/** Where a backup is that was asked for, on the machine of the program. */
const BackupResponseSchema = Type.Object(
  {
    folder: Type.String(),
  },
  closed,
);
export type BackupResponse = Static<typeof BackupResponseSchema>;

/** The published state that the host serves. */
const LivePublicationSchema = Type.Object(
  {
    number: whole(),
    url: Type.String(),
    publishedAt: moment(),
    notDelivered: Type.Optional(
      Type.String({
        description: 'Why it is not everywhere where it was to go besides the host; a sentence.',
      }),
    ),
  },
  closed,
);
export type LivePublication = Static<typeof LivePublicationSchema>;

/** A line of the list of publications. */
const PublicationLineSchema = Type.Object(
  {
    number: whole(),
    publishedAt: moment(),
    note: Type.String({ description: 'What the one who published it said of it.' }),
    by: Type.String({
      description: 'Who published it, as they called themselves; empty where they did not say.',
    }),
    revision: whole('The revision of the site that was published.'),
    heldBack: whole('How many of the pages stayed as they were before.'),
    pages: whole(),
    live: Type.Boolean(),
    /** Where it can be looked at, whether it is live or not, by who has the address; null for those from before that was possible. */
    url: Type.Union([Type.String(), Type.Null()]),
    comparable: Type.Boolean({ description: 'The site as it was is kept with it.' }),
  },
  closed,
);
export type PublicationLine = Static<typeof PublicationLineSchema>;

const PublicationsResponseSchema = Type.Object(
  {
    /** The last one first. */
    publications: Type.Array(PublicationLineSchema),
    more: Type.Boolean({ description: 'There are earlier ones.' }),
    /** The one that visitors get, however early it is. */
    live: Type.Union([PublicationLineSchema, Type.Null()]),
  },
  closed,
);
export type PublicationsResponse = Static<typeof PublicationsResponseSchema>;

/** What a visitor sent with a form. */
const FormMessageSchema = Type.Object(
  {
    id: Type.String(),
    form: Type.String(),
    formName: Type.String({ description: 'What the form was called then.' }),
    page: Type.String({ description: 'Where it was sent from, from the root of the site.' }),
    lines: Type.Array(Type.Object({ label: Type.String(), value: Type.String() }, closed)),
    arrivedAt: moment(),
    read: Type.Boolean(),
  },
  closed,
);
export type FormMessage = Static<typeof FormMessageSchema>;

/** A form that letters came from. */
const MessagesOfFormSchema = Type.Object(
  {
    form: Type.String(),
    formName: Type.String(),
    letters: whole(),
    unread: whole(),
  },
  closed,
);
export type MessagesOfForm = Static<typeof MessagesOfFormSchema>;

const MessagesResponseSchema = Type.Object(
  {
    /** Those of one form, of all, or those that may come from robots; the last one first. */
    letters: Type.Array(FormMessageSchema),
    more: Type.Boolean({ description: 'There are earlier ones.' }),
    forms: Type.Array(MessagesOfFormSchema),
    doubtful: whole('How many there are that may come from robots.'),
    keptFor: whole('For how many days letters are kept; 0: until somebody deletes them.'),
  },
  closed,
);
export type MessagesResponse = Static<typeof MessagesResponseSchema>;

const UnreadResponseSchema = Type.Object(
  {
    unread: whole(),
  },
  closed,
);
export type UnreadResponse = Static<typeof UnreadResponseSchema>;

/** A line of the sites list. */
const SiteSummarySchema = Type.Object(
  {
    id: Type.String(),
    name: Type.String(),
    pages: whole(),
    firstPage: Type.String(),
    revision: whole(),
    changedAt: moment(),
    live: Type.Union([LivePublicationSchema, Type.Null()]),
    /** When it was archived; null where it is not. */
    putAwayAt: Type.Union([moment(), Type.Null()]),
  },
  closed,
);
export type SiteSummary = Static<typeof SiteSummarySchema>;

/** A site that was made, imported or copied. */
const AddedSiteSchema = Type.Object(
  {
    id: Type.String(),
    firstPage: Type.String(),
  },
  closed,
);
export type AddedSite = Static<typeof AddedSiteSchema>;

/** What a site's page list tells of a page besides its head. */
const PageSummarySchema = Type.Object(
  {
    id: Type.String(),
    name: Type.String({ description: 'What the page is called in the workbench.' }),
    /** How many overrides the page holds, by view. */
    overrides: Type.Record(Type.String(), Type.Integer()),
  },
  closed,
);
export type PageSummary = Static<typeof PageSummarySchema>;

const SiteResponseSchema = Type.Object(
  {
    frame: Frame,
    revision: whole(),
    pages: Type.Array(PageSummarySchema),
    live: Type.Union([LivePublicationSchema, Type.Null()]),
    /** Pages that have changed since the live publication; all of them when nothing is live. */
    unpublished: Type.Array(Type.String()),
  },
  closed,
);
export type SiteResponse = Static<typeof SiteResponseSchema>;

/** A page with its site's frame, both as they are at a revision. */
const PageResponseSchema = Type.Object(
  {
    frame: Frame,
    page: ofCore<Page>('Page'),
    revision: whole(),
  },
  closed,
);
export type PageResponse = Static<typeof PageResponseSchema>;

/** A page to look at: it is of no site that is here. */
const DemoPageSchema = Type.Omit(PageResponseSchema, ['revision'], closed);
export type DemoPage = Static<typeof DemoPageSchema>;

/** An edit as the log of a site has it. */
const LogEntrySchema = Type.Object(
  {
    ...LoggedSchema.properties,
    revision: whole(),
    operations: Operations,
    /** What undoes it. */
    inverse: Operations,
    madeAt: moment(),
  },
  closed,
);
export type LogEntry = Static<typeof LogEntrySchema>;

/** An edit as the list of steps has it. */
const StepEntrySchema = Type.Object(
  {
    ...LoggedSchema.properties,
    revision: whole(),
    madeAt: moment(),
    /** The pages that it changed, by id; none where it changed only what all pages share. */
    pages: Type.Array(Type.String()),
  },
  closed,
);
export type StepEntry = Static<typeof StepEntrySchema>;

const EditResponseSchema = Type.Object(
  {
    revision: whole('The site’s revision that the edit made.'),
    /** Edits of others between the revision it was made on and its own, oldest first; absent where there are none. */
    missed: Type.Optional(Type.Array(LogEntrySchema)),
  },
  closed,
);
export type EditResponse = Static<typeof EditResponseSchema>;

/** A part of an edit was received; the others are awaited. */
const PartResponseSchema = Type.Object(
  {
    received: whole(),
  },
  closed,
);
export type PartResponse = Static<typeof PartResponseSchema>;

const LogResponseSchema = Type.Object(
  {
    revision: whole(),
    /** The edits after the revision asked for, oldest first; absent where they are not all remembered or too many. */
    edits: Type.Optional(Type.Array(LogEntrySchema)),
  },
  closed,
);
export type LogResponse = Static<typeof LogResponseSchema>;

const StepsResponseSchema = Type.Object(
  {
    steps: Type.Array(StepEntrySchema),
  },
  closed,
);
export type StepsResponse = Static<typeof StepsResponseSchema>;

/** A font file that was taken in, and what it says of itself. */
const FontResponseSchema = Type.Omit(FontSchema, ['id']);
export type FontResponse = Static<typeof FontResponseSchema>;

const PreviewResponseSchema = Type.Object(
  {
    url: Type.String(),
  },
  closed,
);
export type PreviewResponse = Static<typeof PreviewResponseSchema>;

/** RFC 9457. `detail` is a sentence that says what happened, what was kept and what to do. */
const ProblemSchema = Type.Object(
  {
    type: Type.String(),
    title: Type.String(),
    status: whole(),
    detail: Type.String(),
    /** What is wrong in detail, each with a JSON Pointer. */
    faults: Type.Optional(Type.Array(Type.Object({ path: Type.String(), sentence: Type.String() }, closed))),
    kept: Type.Optional(whole('Where something else was kept under the same key: at which revision.')),
    revision: Type.Optional(whole('With 412: the site’s present revision.')),
    /** With 412: the edits that the sender has not seen, oldest first; absent where they are not all remembered. */
    missed: Type.Optional(Type.Array(LogEntrySchema)),
  },
  closed,
);
export type Problem = Static<typeof ProblemSchema>;

/** What was found of an image or video that was imported; its bytes are kept under their hash. */
const AssetResponseSchema = Type.Object(
  { ...Type.Omit(AssetSchema, ['id', 'name', 'alt', 'focus']).properties, bytes: whole() },
  closed,
);
export type AssetResponse = Static<typeof AssetResponseSchema>;

/** How far the images are that a publication has made of others. */
const MakingResponseSchema = Type.Object(
  {
    wanted: whole(),
    made: whole(),
  },
  closed,
);
export type MakingResponse = Static<typeof MakingResponseSchema>;

/** What endpoints answer with, by the name that `endpoints.ts` and the API's description give it. */
export const RESPONSES = {
  Health: HealthSchema,
  Backup: BackupResponseSchema,
  Sites: Type.Array(SiteSummarySchema),
  Site: SiteResponseSchema,
  AddedSite: AddedSiteSchema,
  PageAtRevision: PageResponseSchema,
  DemoPage: DemoPageSchema,
  Asset: AssetResponseSchema,
  Font: FontResponseSchema,
  Making: MakingResponseSchema,
  Preview: PreviewResponseSchema,
  Publications: PublicationsResponseSchema,
  LivePublication: LivePublicationSchema,
  PublishedSite: ofCore<Site>('PublishedState'),
  Messages: MessagesResponseSchema,
  Unread: UnreadResponseSchema,
  Edit: EditResponseSchema,
  EditPart: PartResponseSchema,
  Log: LogResponseSchema,
  LogEntry: LogEntrySchema,
  Steps: StepsResponseSchema,
  Problem: ProblemSchema,
};

/** What endpoints answer with, by the same names. */
export type Responses = { [Name in keyof typeof RESPONSES]: Static<(typeof RESPONSES)[Name]> };
