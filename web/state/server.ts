import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import { API, paths } from '../../api/paths.ts';
import type {
  AddedSite,
  MessagesResponse,
  LivePublication,
  MakingResponse,
  PageResponse,
  PreviewResponse,
  PublicationsResponse,
  Problem,
  SiteResponse,
  SiteSummary,
  StepEntry,
  StepsResponse,
  UnreadResponse,
} from '../../api/responses.ts';
import type { Site } from '../../core/index.ts';
import type { MessagesRequest, PublishRequest } from '../../api/requests.ts';
import { unreachable } from './transport.ts';

/** Which letters: of one form, of all, or those that may come from robots. */
export interface MessagesAsked {
  site: string;
  form?: string;
  doubtful?: 'yes';
}

const below = (path: string) => path.slice(API.length);

/** Asks the server for what is shown beside the open page; its documents and their edits go another way (`transport.ts`). */
export const server = createApi({
  reducerPath: 'server',
  baseQuery: fetchBaseQuery({ baseUrl: API, timeout: 30_000 }),
  tagTypes: ['site', 'sites', 'letters'],
  endpoints: (build) => ({
    sites: build.query<SiteSummary[], void>({ query: () => below(paths.sites()), providesTags: ['sites'] }),
    site: build.query<SiteResponse, string>({ query: (id) => below(paths.site(id)), providesTags: ['site'] }),
    /** A page to look at, as it is at a revision. */
    page: build.query<PageResponse, { site: string; page: string; revision: number }>({
      query: ({ site, page }) => below(paths.page(site, page)),
    }),
    /** Brings a site in from the text of a site file. */
    addSite: build.mutation<AddedSite, string>({
      query: (text) => ({
        url: below(paths.sites()),
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: text,
        timeout: 120_000,
      }),
      invalidatesTags: ['sites'],
    }),
    addDemo: build.mutation<AddedSite, void>({
      query: () => ({ url: below(paths.demo()), method: 'POST' }),
      invalidatesTags: ['sites'],
    }),
    copySite: build.mutation<AddedSite, { site: string; name: string }>({
      query: ({ site, name }) => ({ url: below(paths.copies(site)), method: 'POST', body: { name } }),
      invalidatesTags: ['sites'],
    }),
    putAway: build.mutation<null, { site: string; away: boolean }>({
      query: ({ site, away }) => ({ url: below(paths.putAway(site)), method: away ? 'PUT' : 'DELETE' }),
      invalidatesTags: ['sites'],
    }),
    removeSite: build.mutation<null, string>({
      query: (site) => ({ url: below(paths.site(site)), method: 'DELETE' }),
      invalidatesTags: ['sites'],
    }),
    takeDown: build.mutation<null, string>({
      query: (site) => ({ url: below(paths.live(site)), method: 'DELETE' }),
      invalidatesTags: ['site', 'sites'],
    }),
    /** How far the images are that a publication makes of others. */
    making: build.query<MakingResponse, string>({ query: (site) => below(paths.making(site)) }),
    preview: build.mutation<PreviewResponse, string>({
      query: (site) => ({ url: below(paths.previews(site)), method: 'POST' }),
    }),
    publish: build.mutation<LivePublication, { site: string; revision: number } & PublishRequest>({
      // Images that are not made yet are made first.
      query: ({ site, revision, ...body }) => ({
        ...{ url: below(paths.publications(site)), method: 'POST', body },
        headers: { 'If-Match': `"${revision}"` },
        timeout: 900_000,
      }),
      invalidatesTags: ['site', 'sites'],
    }),
    /** The publications of a site, the last ones first; earlier ones are asked for in turn. */
    publications: build.infiniteQuery<PublicationsResponse, string, number | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: ({ more, publications }) => (more ? publications.at(-1)?.number : undefined),
      },
      query: ({ queryArg: site, pageParam: before }) => ({
        url: below(paths.publications(site)),
        params: { before },
      }),
      providesTags: ['site'],
    }),
    /** The steps that led from one revision to another, oldest first. */
    steps: build.query<StepEntry[], { site: string; after: number; to: number }>({
      query: ({ site, after, to }) => ({ url: below(paths.steps(site)), params: { after, before: to + 1 } }),
      transformResponse: ({ steps }: StepsResponse) => steps,
    }),
    /** A site as it was when it was published. */
    published: build.query<Site, { site: string; number: number }>({
      query: ({ site, number }) => below(paths.publication(site, number)),
    }),
    /** What visitors sent, the last letters first; earlier ones are asked for in turn. */
    letters: build.infiniteQuery<MessagesResponse, MessagesAsked, string | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: ({ more, letters }) => (more ? letters.at(-1)?.id : undefined),
      },
      query: ({ queryArg: { site, ...box }, pageParam: before }) => ({
        url: below(paths.letters(site)),
        params: { ...box, before },
      }),
      providesTags: ['letters'],
    }),
    unreadLetters: build.query<UnreadResponse, string>({
      query: (site) => below(paths.unreadLetters(site)),
      providesTags: ['letters'],
    }),
    markLetters: build.mutation<null, MessagesRequest & { site: string }>({
      query: ({ site, ...body }) => ({ url: below(paths.letters(site)), method: 'PATCH', body }),
      invalidatesTags: ['letters'],
    }),
    deleteLetters: build.mutation<null, { site: string; letters: string[] }>({
      query: ({ site, letters }) => ({
        ...{ url: below(paths.letters(site)), method: 'DELETE', body: { letters } },
      }),
      invalidatesTags: ['letters'],
    }),
    keepLetters: build.mutation<null, { site: string; days: number }>({
      query: ({ site, days }) => ({ url: below(paths.lettersKept(site)), method: 'PUT', body: { days } }),
      invalidatesTags: ['letters'],
    }),
    makeLive: build.mutation<LivePublication, { site: string; number: number }>({
      query: ({ site, number }) => ({ url: below(paths.live(site)), method: 'PUT', body: { number } }),
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
  useCopySiteMutation,
  usePutAwayMutation,
  useRemoveSiteMutation,
  useTakeDownMutation,
  usePreviewMutation,
  usePublishMutation,
  usePublicationsInfiniteQuery,
  usePublishedQuery,
  useStepsQuery,
  useMakeLiveMutation,
  useLettersInfiniteQuery,
  useUnreadLettersQuery,
  useMarkLettersMutation,
  useDeleteLettersMutation,
  useKeepLettersMutation,
} = server;

/** What a failed request means, as a person can act on it. */
export interface Trouble {
  /** The HTTP status, or 0 when the server could not be reached. */
  status: number;
  sentence: string;
  problem?: Problem;
}

export function troubleOf(error: unknown): Trouble {
  const { status, data } = (error ?? {}) as { status?: number | string; data?: Partial<Problem> };
  if (typeof status === 'number' && data?.detail)
    return { status, sentence: data.detail, problem: data as Problem };
  if (typeof status === 'number') {
    return {
      status,
      sentence: `The server answered with status ${status} without an explanation. Try again in a moment.`,
    };
  }
  return { status: 0, sentence: unreachable };
}
