import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import { API, paths } from '../../api/paths.ts';
import type {
  FontResponse,
  LivePublication,
  PreviewResponse,
  Problem,
  SiteResponse,
  SiteSummary,
} from '../../api/responses.ts';
import { unreachable } from './transport.ts';

const below = (path: string) => path.slice(API.length);

/** Asks the server for what is shown beside the open page; its documents and their edits go another way (`transport.ts`). */
export const server = createApi({
  reducerPath: 'server',
  baseQuery: fetchBaseQuery({ baseUrl: API, timeout: 30_000 }),
  tagTypes: ['site', 'sites'],
  endpoints: (build) => ({
    sites: build.query<SiteSummary[], void>({ query: () => below(paths.sites()), providesTags: ['sites'] }),
    site: build.query<SiteResponse, string>({ query: (id) => below(paths.site(id)), providesTags: ['site'] }),
    font: build.mutation<FontResponse, { site: string; file: File }>({
      query: ({ site, file }) => ({
        url: below(paths.ownFonts(site)),
        method: 'POST',
        headers: { 'Content-Type': 'font/woff2' },
        body: file,
      }),
    }),
    preview: build.mutation<PreviewResponse, string>({
      query: (site) => ({ url: below(paths.previews(site)), method: 'POST' }),
    }),
    publish: build.mutation<LivePublication, string>({
      query: (site) => ({ url: below(paths.publications(site)), method: 'POST' }),
      invalidatesTags: ['site', 'sites'],
    }),
  }),
});

export const { useSitesQuery, useSiteQuery, useFontMutation, usePreviewMutation, usePublishMutation } =
  server;

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
      sentence: `The server answered with status ${status} and no explanation. Try again in a moment.`,
    };
  }
  return { status: 0, sentence: unreachable };
}
