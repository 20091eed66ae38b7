import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { forget, keepOnlyOf } from '../away/kept';
import { isLeaving, leave } from '../away/leaving';
import { atSite } from '../look/site';
import { afterEvidence, answer, api, queries, Refusal, type Schemas } from './client';

export const useSession = () =>
  useQuery({
    queryKey: ['session'],
    queryFn: async (): Promise<Schemas['Session']> => {
      if (isLeaving()) {
        await leave();
      }
      if (isLeaving()) {
        return { zone: null, user: null };
      }
      const session = await answer(api.GET('/api/session'));
      atSite(session.zone);
      await keepOnlyOf(session.user?.code ?? null);
      return session;
    },
    staleTime: 60_000,
  });

/** Where something of it is still being worked out, it is asked for again until it is: how soon, ms. */
const untilWorkedOut = ({ state }: { state: { data: { waiting: number } | undefined } }): number | false =>
  (state.data?.waiting ?? 0) > 0 ? 500 : false;

export const useDay = (date: string | null) =>
  useQuery({
    queryKey: ['day', date],
    queryFn: () => answer(api.GET('/api/day', { params: { query: date === null ? {} : { date } } })),
    refetchInterval: untilWorkedOut,
  });

/** What of the kit falls due. */
export const useDates = () =>
  useQuery({
    queryKey: ['dates'],
    queryFn: () => answer(api.GET('/api/dates')),
    refetchInterval: untilWorkedOut,
  });

/** What of some days does not stand; without days, of the last ones. */
export const useUnsettled = (from: string, to: string) =>
  useQuery({
    queryKey: ['unsettled', from, to],
    queryFn: () =>
      answer(
        api.GET('/api/unsettled', {
          params: { query: { ...(from === '' ? {} : { from }), ...(to === '' ? {} : { to }) } },
        }),
      ),
  });

/** What leads a new logbook to its first signed result. */
export const useFirstResult = () =>
  useQuery({ queryKey: ['first result'], queryFn: () => answer(api.GET('/api/first-result')) });

/** What a campaign may be begun with. */
export const useBeginnings = () =>
  useQuery({
    queryKey: ['beginnings'],
    queryFn: () => answer(api.GET('/api/campaigns/beginnings')),
    staleTime: Infinity,
  });

/** The addresses under which calendars ask for it. */
export const useCalendars = () =>
  useQuery({ queryKey: ['calendars'], queryFn: () => answer(api.GET('/api/calendars')) });

/** What is asked for before anybody looks at it, so that it is there without a network. */
export const beforehand = {
  bench: { queryKey: ['bench'], queryFn: () => answer(api.GET('/api/bench')) },
  kit: { queryKey: ['kit'], queryFn: () => answer(api.GET('/api/kit')) },
  library: { queryKey: ['library'], queryFn: () => answer(api.GET('/api/kit/library')) },
  campaigns: { queryKey: ['campaigns'], queryFn: () => answer(api.GET('/api/campaigns')) },
  run: (id: string) => ({
    queryKey: ['run', id],
    queryFn: () => answer(api.GET('/api/runs/{id}', { params: { path: { id } } })),
  }),
};

export const useBench = () =>
  useQuery({
    ...beforehand.bench,
    // A unit of which it is not known yet whether it may go out would look as one that nothing is against.
    refetchInterval: untilWorkedOut,
  });

/** A row of units on one reference. */
export const useRound = (id: string) =>
  useQuery({
    queryKey: ['round', id],
    queryFn: () => answer(api.GET('/api/bench/rounds/{id}', { params: { path: { id } } })),
  });

/** Photos and documents of a thing. */
export const useFiles = (of: 'draft' | 'check' | 'run' | 'reference' | 'instrument', id: string) =>
  useQuery({
    queryKey: ['files', of, id],
    queryFn: () => answer(api.GET('/api/files', { params: { query: { of, id } } })),
  });

/** What is waited for, of all units: asked for when something changed or somebody comes back to the page. */
export const useTimers = () =>
  useQuery({ queryKey: ['timers'], queryFn: () => answer(api.GET('/api/bench/timers')) });

export const useKit = (enabled = true) => useQuery({ ...beforehand.kit, enabled });

/** Who may do what; for stewards. */
export const usePeople = () =>
  useQuery({ queryKey: ['people'], queryFn: () => answer(api.GET('/api/people')) });

/** What is asked of units, references and library entries. */
export const useForms = () =>
  useQuery({
    queryKey: ['forms'],
    queryFn: () => answer(api.GET('/api/kit/forms')),
    staleTime: Infinity,
  });

/** The sources that are named from memory, and which a steward has confirmed since. */
export const useSources = () =>
  useQuery({ queryKey: ['sources'], queryFn: () => answer(api.GET('/api/sources')) });

export const useLibrary = (enabled = true) => useQuery({ ...beforehand.library, enabled });

export const useKitWord = (owner: Owner, id: string) =>
  useQuery({
    queryKey: ['kit word', owner, id],
    queryFn: () =>
      owner === 'instruments'
        ? answer(api.GET('/api/kit/instruments/{id}/word', { params: { path: { id } } }))
        : answer(api.GET('/api/kit/references/{id}/word', { params: { path: { id } } })),
  });

export const useModelSheets = () =>
  useQuery({ queryKey: ['sheets'], queryFn: () => answer(api.GET('/api/kit/sheets')) });

export const useModelSheet = (code: string | null) =>
  useQuery({
    queryKey: ['sheet', code],
    enabled: code !== null,
    queryFn: () => answer(api.GET('/api/kit/sheets/of/{code}', { params: { path: { code: code ?? '' } } })),
  });

/** What a sheet of the model asks; its steps and readings are there to choose from. */
export const useSheetForm = (model: string) =>
  useQuery({
    queryKey: ['sheet-form', model],
    enabled: model !== '',
    queryFn: () => answer(api.GET('/api/kit/sheets/form', { params: { query: { model } } })),
  });

export const useLaboratory = () =>
  useQuery({ queryKey: ['laboratory'], queryFn: () => answer(api.GET('/api/laboratory')) });

export const useCustody = (id: string) =>
  useQuery({
    queryKey: ['custody', id],
    queryFn: () => answer(api.GET('/api/campaigns/{id}/custody', { params: { path: { id } } })),
  });

export const useDayPlans = () =>
  useQuery({ queryKey: ['plans'], queryFn: () => answer(api.GET('/api/plans')) });

export const useDayPlan = (id: string, enabled = true) =>
  useQuery({
    enabled,
    queryKey: ['plans', id],
    queryFn: () => answer(api.GET('/api/plans/{id}', { params: { path: { id } } })),
    // While a day goes on, what is late moves what follows.
    refetchInterval: ({ state }) => (state.data?.day === state.data?.today ? 60_000 : false),
  });

/** Whether the kit as it is now would give another plan. */
export const usePlannedOtherwise = (id: string) =>
  useQuery({
    queryKey: ['plans', id, 'otherwise'],
    queryFn: () => answer(api.GET('/api/plans/{id}/otherwise', { params: { path: { id } } })),
  });

export const useFieldSheets = (id: string) =>
  useQuery({
    queryKey: ['plans', id, 'sheets'],
    queryFn: () => answer(api.GET('/api/plans/{id}/sheets', { params: { path: { id } } })),
  });

export const usePlanForm = () =>
  useQuery({
    queryKey: ['plan-form'],
    queryFn: () => answer(api.GET('/api/plan')),
    staleTime: Infinity,
  });

export const useUnit = (id: string) =>
  useQuery({
    queryKey: ['kit', id],
    enabled: id !== '',
    queryFn: () => answer(api.GET('/api/kit/instruments/{id}', { params: { path: { id } } })),
  });

/** How a unit goes on; every check of it is read for that, so it is asked once where it is looked at. */
export const useTrend = (id: string) =>
  useQuery({
    queryKey: ['trend', id],
    enabled: id !== '',
    queryFn: () => answer(api.GET('/api/kit/instruments/{id}/trend', { params: { path: { id } } })),
    staleTime: 60_000,
  });

/** How a reference goes on, by what units on it share. */
export const useSharedTrend = (id: string) =>
  useQuery({
    queryKey: ['trend', 'shared', id],
    queryFn: () => answer(api.GET('/api/kit/references/{id}/trend', { params: { path: { id } } })),
    staleTime: 60_000,
  });

export const useRun = (id: string) => useQuery(beforehand.run(id));

export const useCheck = (id: string) =>
  useQuery({
    queryKey: ['check', id],
    queryFn: () => answer(api.GET('/api/checks/{id}', { params: { path: { id } } })),
  });

export const useSeries = (id: string, wanted: boolean) =>
  useQuery({
    queryKey: ['series', id],
    enabled: wanted,
    queryFn: () => answer(api.GET('/api/runs/{id}/series', { params: { path: { id } } })),
  });

export const useReadings = (id: string, channel: string) =>
  useQuery({
    queryKey: ['readings', id, channel],
    queryFn: () =>
      answer(api.GET('/api/runs/{id}/readings', { params: { path: { id }, query: { channel } } })),
  });

/** What runs are looked for by; all of it stands in the address. */
export const LEDGER_FILTER = [
  'campaign',
  'verdict',
  'decided',
  'text',
  'person',
  'task',
  'instrument',
  'family',
  'from',
  'to',
  'page',
] as const;
export type LedgerFilter = Partial<Record<(typeof LEDGER_FILTER)[number], string>>;

export const useLedger = (filter: LedgerFilter) =>
  useQuery({
    queryKey: ['ledger', filter],
    queryFn: () => answer(api.GET('/api/results', { params: { query: filter } })),
  });

/** What runs of a campaign, or of all, can be chosen by. */
export const useRunNames = (campaign: string | undefined, enabled: boolean) =>
  useQuery({
    queryKey: ['run names', campaign],
    queryFn: () => answer(api.GET('/api/search/names', { params: { query: campaign ? { campaign } : {} } })),
    enabled,
  });

/** What has these words in it. */
export const useFound = (text: string) =>
  useQuery({
    queryKey: ['found', text],
    queryFn: () => answer(api.GET('/api/search', { params: { query: { text } } })),
    enabled: text.trim() !== '',
  });

export const useResult = (run: string) =>
  useQuery({
    queryKey: ['result', run],
    queryFn: () => answer(api.GET('/api/results/{run}', { params: { path: { run } } })),
  });

export const useReports = () =>
  useQuery({ queryKey: ['reports'], queryFn: () => answer(api.GET('/api/reports')) });

export const useReport = (id: string) =>
  useQuery({
    queryKey: ['report', id],
    queryFn: () => answer(api.GET('/api/reports/{id}', { params: { path: { id } } })),
  });

/** As requests name an edition; the draft needs no word. */
export const ofEdition = (edition: number | null) => (edition === null ? {} : { edition: String(edition) });

/** One part of a report; of an edition, which never changes, or of the draft. */
export const useReportPart = (id: string, part: string, edition: number | null) =>
  useQuery({
    queryKey: ['report', id, 'part', part, edition],
    queryFn: () =>
      answer(
        api.GET('/api/reports/{id}/part', {
          params: {
            path: { id },
            query: { part, ...ofEdition(edition) },
          },
        }),
      ),
  });

/** Whether what is done beside the requests is not over yet. */
export const goesOn = (told: { state: string } | undefined) =>
  told?.state === 'running' || told?.state === 'waiting';

/** What a recall would change; asked again while it is worked out. */
export const useWhatIf = (id: string) =>
  useQuery({
    queryKey: ['what-if', id],
    queryFn: () => answer(api.GET('/api/recalls/{id}', { params: { path: { id } } })),
    refetchInterval: ({ state }) => (goesOn(state.data?.state) ? 700 : false),
  });

export const useWhatIfRuns = (id: string, page: number) =>
  useQuery({
    queryKey: ['what-if', id, 'runs', page],
    queryFn: () =>
      answer(api.GET('/api/recalls/{id}/runs', { params: { path: { id }, query: { page: String(page) } } })),
  });

/** What was asked of a recall of late: somebody else may be at it. */
/** References and units are recalled alike. */
export type Owner = Schemas['WhatIfAsked']['owner'];

export const useWhatIfs = (owner: Owner, id: string) =>
  useQuery({
    queryKey: ['what-ifs', owner, id],
    queryFn: () => {
      const params = { path: { id } };
      return owner === 'references'
        ? answer(api.GET('/api/kit/references/{id}/what-if', { params }))
        : answer(api.GET('/api/kit/instruments/{id}/what-if', { params }));
    },
  });

export const useLetters = (id: string, wanted: boolean) =>
  useQuery({
    queryKey: ['what-if', id, 'letters'],
    enabled: wanted,
    queryFn: () => answer(api.GET('/api/recalls/{id}/letters', { params: { path: { id } } })),
  });

/** How far a report is printed; asked again while it goes on. */
export const usePrinting = (id: string, edition: number | null, paper: 'A4' | 'Letter') =>
  useQuery({
    queryKey: ['printing', id, edition, paper],
    queryFn: () =>
      answer(
        api.GET('/api/reports/{id}/print', {
          params: {
            path: { id },
            query: { paper, ...ofEdition(edition) },
          },
        }),
      ),
    refetchInterval: ({ state }) => (goesOn(state.data) ? 1000 : false),
  });

/** Of a campaign or of a report, with photos and documents or without. */
export type PackageAsked = { campaign?: string; report?: string; files: 'with' | 'without' };

/** How far a package is; asked again while it goes on. */
export const usePacking = (asked: PackageAsked) =>
  useQuery({
    queryKey: ['packing', asked],
    queryFn: () => answer(api.GET('/api/package', { params: { query: asked } })),
    refetchInterval: ({ state }) => (goesOn(state.data) ? 1000 : false),
  });

/** The equations as they are typeset: they change with a release alone. */
export const useEquations = () =>
  useQuery({
    queryKey: ['equations'],
    queryFn: () => answer(api.GET('/api/equations')),
    staleTime: Infinity,
  });

export const usePolicies = () =>
  useQuery({ queryKey: ['policies'], queryFn: () => answer(api.GET('/api/policies')) });

export const useCampaigns = () => useQuery(beforehand.campaigns);

export const useJournal = (choice: { day?: string; person?: string; about?: string; before?: string }) =>
  useQuery({
    queryKey: ['journal', choice],
    queryFn: () => answer(api.GET('/api/journal', { params: { query: choice } })),
  });

/** A change: afterwards everything that was worked out is asked for again. */
export function useChange<In, Out>(
  change: (input: In) => Promise<Out>,
  then?: (output: Out, input: In) => void,
) {
  return useMutation<Out, Refusal, In>({
    mutationFn: change,
    onSuccess: async (output, input) => {
      await afterEvidence();
      then?.(output, input);
    },
  });
}

/**
 * Leaving. Nobody is signed in from here on, and nothing is asked for again: an answer that came in late would put another
 * empty form in the place of the one in which somebody types a name already.
 */
export function useLeave(leaving: () => Promise<unknown> = leave) {
  return useMutation<unknown, Refusal>({
    mutationFn: leaving,
    onSuccess: async () => {
      await queries.cancelQueries();
      queries.setQueryData<Schemas['Session']>(['session'], { zone: null, user: null });
      await forget();
    },
  });
}

/**
 * What a form was opened on. A page asked for again behind an open form brings what another did meanwhile; it must not pass
 * as seen by whoever is still typing.
 */
export function useAsOpened<T>(value: T): T {
  return useState(value)[0];
}
