import { createApi, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import { endpoints, type AnswerOf, type Endpoint } from '../../api/endpoints.ts';
import { paths } from '../../api/paths.ts';
import type { MessagesRequest, PublishRequest } from '../../api/requests.ts';
import type { StepsResponse } from '../../api/responses.ts';
import { request, type Sent, type Trouble } from './request.ts';

/** Which messages: of one form, of all, or those that may come from robots. */
export interface MessagesAsked {
  site: string;
  form?: string;
  doubtful?: 'yes';
}

/** A request that is to be made. */
interface Call {
  endpoint: Endpoint;
  path: string;
  sent?: Sent;
}

const call = <E extends Endpoint>(endpoint: E, path: string, sent?: Sent<E>): Call => ({
  ...{ endpoint, path },
  ...(sent && { sent }),
});

const { page, site, steps, publications, publication, messages } = endpoints;

/** What an endpoint of the table above answers, by its name. */
type Of<N extends keyof typeof endpoints> = AnswerOf<(typeof endpoints)[N]>;

const ask: BaseQueryFn<Call, unknown, Trouble> = async ({ endpoint, path, sent }) => {
  const answered = await request(endpoint, path, sent);
  if (!answered.ok) return { error: answered };
  return { data: answered.value };
};

/** Asks the server for what is shown beside the open page; its documents and their edits go another way (`transport.ts`). */
export const server = createApi({
  reducerPath: 'server',
  baseQuery: ask,
  tagTypes: ['site', 'sites', 'messages'],
  endpoints: (build) => ({
    sites: build.query<Of<'listSites'>, void>({
      query: () => call(endpoints.listSites, paths.sites()),
      providesTags: ['sites'],
    }),
    site: build.query<Of<'site'>, string>({
      query: (id) => call(site, paths.site(id)),
      providesTags: ['site'],
    }),
    /** A page to look at, as it is at a revision. */
    page: build.query<Of<'page'>, { site: string; page: string; revision: number }>({
      query: (of) => call(page, paths.page(of.site, of.page)),
    }),
    /** Brings a site in from the text of a site file. */
    addSite: build.mutation<Of<'addSite'>, string>({
      query: (body) => call(endpoints.addSite, paths.sites(), { body, patience: 120_000 }),
      invalidatesTags: ['sites'],
    }),
    addDemo: build.mutation<Of<'addDemo'>, void>({
      query: () => call(endpoints.addDemo, paths.demo()),
      invalidatesTags: ['sites'],
    }),
    /** The demo site to look at; it never changes. */
    demoPage: build.query<Of<'demoPage'>, void>({
      query: () => call(endpoints.demoPage, paths.demoPage()),
    }),
    copySite: build.mutation<Of<'copySite'>, { site: string; name: string }>({
      query: ({ site, name }) => call(endpoints.copySite, paths.copies(site), { body: { name } }),
      invalidatesTags: ['sites'],
    }),
    archive: build.mutation<undefined, { site: string; away: boolean }>({
      query: ({ site, away }) =>
        call(away ? endpoints.archiveSite : endpoints.restoreSite, paths.archived(site)),
      invalidatesTags: ['sites'],
    }),
    removeSite: build.mutation<undefined, string>({
      query: (site) => call(endpoints.removeSite, paths.site(site)),
      invalidatesTags: ['sites'],
    }),
    takeDown: build.mutation<undefined, string>({
      query: (site) => call(endpoints.takeDown, paths.live(site)),
      invalidatesTags: ['site', 'sites'],
    }),
    /** How far the images are that a publication makes of others. */
    making: build.query<Of<'making'>, string>({
      query: (site) => call(endpoints.making, paths.making(site)),
    }),
    preview: build.mutation<Of<'preview'>, string>({
      query: (site) => call(endpoints.preview, paths.previews(site)),
    }),
    publish: build.mutation<Of<'publish'>, { site: string; revision: number } & PublishRequest>({
      // Images that are not made yet are made first.
      query: ({ site, revision, ...body }) =>
        call(endpoints.publish, paths.publications(site), {
          ...{ body, headers: { 'If-Match': `"${revision}"` }, patience: 900_000 },
        }),
      invalidatesTags: ['site', 'sites'],
    }),
    /** The publications of a site, the last ones first; earlier ones are asked for in turn. */
    publications: build.infiniteQuery<Of<'publications'>, string, number | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: ({ more, publications }) => (more ? publications.at(-1)?.number : undefined),
      },
      query: ({ queryArg: site, pageParam: before }) =>
        call(publications, paths.publications(site), { query: { before } }),
      providesTags: ['site'],
    }),
    /** The steps that led from one revision to another, oldest first. */
    steps: build.query<StepsResponse['steps'], { site: string; after: number; to: number }>({
      query: ({ site, after, to }) => call(steps, paths.steps(site), { query: { after, before: to + 1 } }),
      transformResponse: ({ steps }: StepsResponse) => steps,
    }),
    /** A site as it was when it was published. */
    published: build.query<Of<'publication'>, { site: string; number: number }>({
      query: ({ site, number }) => call(publication, paths.publication(site, number)),
    }),
    /** What visitors sent, the last messages first; earlier ones are asked for in turn. */
    messages: build.infiniteQuery<Of<'messages'>, MessagesAsked, string | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: ({ more, letters }) => (more ? letters.at(-1)?.id : undefined),
      },
      query: ({ queryArg: { site, ...box }, pageParam: before }) =>
        call(messages, paths.messages(site), { query: { ...box, before } }),
      providesTags: ['messages'],
    }),
    unreadMessages: build.query<Of<'unreadMessages'>, string>({
      query: (site) => call(endpoints.unreadMessages, paths.unreadMessages(site)),
      providesTags: ['messages'],
    }),
    markMessages: build.mutation<undefined, MessagesRequest & { site: string }>({
      query: ({ site, ...body }) => call(endpoints.markMessages, paths.messages(site), { body }),
      invalidatesTags: ['messages'],
    }),
    removeMessages: build.mutation<undefined, { site: string; letters: string[] }>({
      query: ({ site, letters }) =>
        call(endpoints.removeMessages, paths.messages(site), { body: { letters } }),
      invalidatesTags: ['messages'],
    }),
    keepMessagesFor: build.mutation<undefined, { site: string; days: number }>({
      query: ({ site, days }) =>
        call(endpoints.keepMessagesFor, paths.messageRetention(site), { body: { days } }),
      invalidatesTags: ['messages'],
    }),
    makeLive: build.mutation<Of<'makeLive'>, { site: string; number: number }>({
      query: ({ site, number }) => call(endpoints.makeLive, paths.live(site), { body: { number } }),
      invalidatesTags: ['site', 'sites'],
    }),
  }),
});

export const {
  useSitesQuery,
  useMakingQuery,
  useSiteQuery,
  usePageQuery,
  useAddDemoMutation,
  useDemoPageQuery,
  useCopySiteMutation,
  useArchiveMutation,
  useRemoveSiteMutation,
  useTakeDownMutation,
  usePreviewMutation,
  usePublishMutation,
  usePublicationsInfiniteQuery,
  usePublishedQuery,
  useStepsQuery,
  useMakeLiveMutation,
  useMessagesInfiniteQuery,
  useUnreadMessagesQuery,
  useMarkMessagesMutation,
  useRemoveMessagesMutation,
  useKeepMessagesForMutation,
} = server;
