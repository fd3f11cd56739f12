import { queryOptions } from '@tanstack/react-query'
import api, { unwrap } from './client'
import type {
  Action,
  AddressNote,
  AirView,
  BroughtJob,
  ChannelPlanView,
  Comparison,
  CopyHead,
  DiagnosisView,
  EyesState,
  FixesView,
  GuestOffer,
  HandoverView,
  ImportView,
  JobAnswer,
  JobInWords,
  JobLine,
  JoinCode,
  KeptAddresses,
  KitView,
  LogView,
  Meaning,
  MeasureView,
  NameSchool,
  OptionsView,
  Paste,
  PhotoAnswer,
  PhotoView,
  Pin,
  PlanChange,
  ReachGrid,
  Reckoning,
  RehearsalAnswer,
  Ruler,
  SaidRoom,
  SecretView,
  SeenEntry,
  SeenView,
  ShareView,
  Side,
  Sighting,
  Standing,
  StickLabel,
  SubnetMove,
  TickView,
  Trace,
  TriedView,
  Walk,
  WallCorrection,
  WatchView,
  WhatIf,
  WifiCard,
  WorkOrder,
  WorkOrderView,
} from './types'
import { wholeJob } from './wholeJob'

/** Jobs, the last changed first; of those alone with these words in the name, and one more than is shown, to know whether there are more. */
export const jobList = (find: string, most: number) =>
  queryOptions({
    queryKey: ['jobs', find, most],
    queryFn: ({ signal }) =>
      unwrap<JobLine[]>(
        api.GET('/api/jobs', { params: { query: { find: find || undefined, take: most + 1 } }, signal }),
      ),
  })

/** Whether a phone is let in, who has joined, where the laptop is found. */
export const share = queryOptions({
  queryKey: ['share'],
  queryFn: ({ signal }) => unwrap<ShareView>(api.GET('/api/share', { signal })),
})

export const makeJoinCode = (address: string, looksOnly: boolean, job?: string) =>
  unwrap<JoinCode>(api.POST('/api/share/codes', { body: { address, job, looksOnly } }))

export const endSession = (id: string) =>
  unwrap<unknown>(api.DELETE('/api/share/sessions/{id}', { params: { path: { id } } }))

export const leave = () => unwrap<unknown>(api.POST('/api/share/leave', {}))

export const job = (id: string) =>
  queryOptions({
    queryKey: ['job', id],
    queryFn: async ({ signal }) =>
      wholeJob(await unwrap<JobAnswer>(api.GET('/api/jobs/{id}', { params: { path: { id } }, signal }))),
  })

/** The plans, with what is pinned beforehand. Searching takes a moment: it is not done again before anything has changed. */
export const options = (id: string, version: number, pins: Pin[] = [], first = false) =>
  queryOptions({
    queryKey: ['job', id, first ? 'first options' : 'options', version, pins],
    queryFn: ({ signal }) => {
      const those = (forbidden: boolean) =>
        pins.filter((one) => one.forbidden === forbidden).map((one) => `${one.device}:${one.use}`)
      return unwrap<OptionsView>(
        api.GET('/api/jobs/{id}/options', {
          params: {
            path: { id },
            query: { pin: those(false), forbid: those(true), first: first || undefined },
          },
          signal,
        }),
      )
    },
    staleTime: Number.POSITIVE_INFINITY,
  })

/** Which order of a job is meant: how boxes with a new part to play are treated (nothing: what is better), and what the installer has in hand. */
export type Asked = { way?: string; with?: string }

export const workOrder = (id: string, version: number, asked: Asked = {}) =>
  queryOptions({
    queryKey: ['job', id, 'work-order', version, asked.way ?? '', asked.with ?? ''],
    queryFn: ({ signal }) =>
      unwrap<WorkOrderView>(
        api.GET('/api/jobs/{id}/work-order', { params: { path: { id }, query: asked }, signal }),
      ),
  })

/** A step played on the house. */
export const rehearsal = (id: string, version: number, asked: Asked, turns: number, step: string) =>
  queryOptions({
    queryKey: ['job', id, 'rehearsal', version, asked.way ?? '', asked.with ?? '', turns, step],
    queryFn: async ({ signal }) => {
      const played = await unwrap<RehearsalAnswer>(
        api.GET('/api/jobs/{id}/work-order/{step}/rehearsal', {
          params: { path: { id, step }, query: asked },
          signal,
        }),
      )
      return { ...played, house: { ...played.house, revision: version } }
    },
    staleTime: Number.POSITIVE_INFINITY,
  })

export const compareShown = (id: string, asked: Asked, step: string, text: string) =>
  unwrap<Comparison>(
    api.POST('/api/jobs/{id}/work-order/{step}/compare', {
      params: { path: { id, step }, query: asked },
      body: { text },
    }),
  )

/** One look of the laptop's own eyes at what an open step names. */
export const watchStep = (
  id: string,
  asked: Asked,
  step: string,
  body: { outside?: string; adapter?: string; acted: number | null },
  signal: AbortSignal,
) =>
  unwrap<WatchView>(
    api.POST('/api/jobs/{id}/work-order/{step}/watch', {
      params: { path: { id, step }, query: asked },
      body,
      signal,
    }),
  )

/** The way from the laptop to the gateway. */
export const measureHere = (id: string, adapter?: string) =>
  unwrap<MeasureView>(
    api.POST('/api/jobs/{id}/eyes/measure', { params: { path: { id } }, body: { adapter } }),
  )

export const explainOtherwise = (id: string, asked: Asked, step: string, seen: Sighting) =>
  unwrap<Meaning[]>(
    api.POST('/api/jobs/{id}/work-order/{step}/otherwise', {
      params: { path: { id, step }, query: asked },
      body: seen,
    }),
  )

export const takeTurn = (
  id: string,
  asked: Asked,
  step: string,
  turn: Sighting & { turns: number; meaning: string },
) =>
  unwrap<unknown>(
    api.POST('/api/jobs/{id}/work-order/{step}/turn', {
      params: { path: { id, step }, query: asked },
      body: turn,
    }),
  )

export const takeBackTurn = (id: string, number: number) =>
  unwrap<unknown>(
    api.DELETE('/api/jobs/{id}/work-order/turns/{number}', { params: { path: { id, number } } }),
  )

export const log = (id: string, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'log', version],
    queryFn: ({ signal }) =>
      unwrap<LogView[]>(api.GET('/api/jobs/{id}/log', { params: { path: { id } }, signal })),
  })

export const trace = (id: string, side: Side, version: number, from: string) =>
  queryOptions({
    queryKey: ['job', id, 'trace', side, version, from],
    queryFn: ({ signal }) =>
      unwrap<Trace>(
        api.GET('/api/jobs/{id}/{side}/trace/{from}', { params: { path: { id, side, from } }, signal }),
      ),
  })

/** What mends the findings of a house, by their keys. Proved after the verdict: what was known before is shown meanwhile, and is not done. */
export const fixes = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'fixes', side, version],
    queryFn: async ({ signal }) => {
      const now = await unwrap<FixesView>(
        api.GET('/api/jobs/{id}/{side}/fixes', { params: { path: { id, side } }, signal }),
      )
      // Somebody else changed the house meanwhile: it is asked for anew, and so are these.
      return now.revision === version ? now : { ...now, fixes: {} }
    },
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: (old) => old,
  })

export const reachGrid = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'reach', side, version],
    queryFn: ({ signal }) =>
      unwrap<ReachGrid>(api.GET('/api/jobs/{id}/{side}/reach', { params: { path: { id, side } }, signal })),
  })

export const walk = (id: string, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'visit', version],
    queryFn: ({ signal }) =>
      unwrap<Walk>(api.GET('/api/jobs/{id}/visit', { params: { path: { id } }, signal })),
  })

/** Whether the laptop looks for itself, and which. */
export const eyes = queryOptions({
  queryKey: ['eyes'],
  queryFn: ({ signal }) => unwrap<EyesState>(api.GET('/api/eyes', { signal })),
  staleTime: Number.POSITIVE_INFINITY,
})

/** The questions that decide a job said in words. */
export const jobInWords = (id: string, version: number, words: string) =>
  queryOptions({
    queryKey: ['job', id, 'questions', version, words],
    queryFn: ({ signal }) =>
      unwrap<JobInWords>(
        api.GET('/api/jobs/{id}/visit/questions', { params: { path: { id }, query: { words } }, signal }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: (old) => old,
  })

export const paste = (id: string, version: number, text: string, before?: string) =>
  queryOptions({
    queryKey: ['job', id, 'paste', version, text, before ?? ''],
    queryFn: ({ signal }) =>
      unwrap<Paste>(
        api.POST('/api/jobs/{id}/visit/paste', { params: { path: { id } }, body: { text, before }, signal }),
      ),
    // Texts are long: what is not on screen is let go.
    gcTime: 10_000,
  })

export const addresses = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'addresses', side, version],
    queryFn: ({ signal }) =>
      unwrap<Ruler[]>(api.GET('/api/jobs/{id}/{side}/addresses', { params: { path: { id, side } }, signal })),
  })

export const reckon = (id: string, side: Side, version: number, address: string) =>
  queryOptions({
    queryKey: ['job', id, 'reckon', side, version, address],
    queryFn: ({ signal }) =>
      unwrap<Reckoning>(
        api.GET('/api/jobs/{id}/{side}/reckon', {
          params: { path: { id, side }, query: { address } },
          signal,
        }),
      ),
    retry: false,
  })

export const addressNote = (id: string, side: Side, version: number, owner: string, address: string) =>
  queryOptions({
    queryKey: ['job', id, 'address-note', side, version, owner, address],
    queryFn: async ({ signal }) =>
      (await unwrap<AddressNote | undefined>(
        api.GET('/api/jobs/{id}/{side}/address-note', {
          params: { path: { id, side }, query: { owner, address } },
          signal,
        }),
      )) ?? null,
    retry: false,
    gcTime: 10_000,
  })

/** A reservation for each of the things at the address it is given now, and who cannot have one. */
export const keptAddresses = (id: string, side: Side, version: number, things: string[]) =>
  queryOptions({
    queryKey: ['job', id, 'kept-addresses', side, version, things],
    queryFn: ({ signal }) =>
      unwrap<KeptAddresses>(
        api.GET('/api/jobs/{id}/{side}/kept-addresses', {
          params: { path: { id, side }, query: { thing: things } },
          signal,
        }),
      ),
    enabled: things.length > 0,
    placeholderData: (old) => old,
  })

export const moveSubnet = (id: string, side: Side, segment: string, from: string, to: string) =>
  unwrap<SubnetMove>(
    api.GET('/api/jobs/{id}/{side}/move-subnet', {
      params: { path: { id, side }, query: { segment, from, to } },
    }),
  )

/** Rooms with rates, who joins whom, each band as a ruler. */
export const air = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'air', side, version],
    queryFn: ({ signal }) =>
      unwrap<AirView>(api.GET('/api/jobs/{id}/{side}/air', { params: { path: { id, side } }, signal })),
  })

/** The channels of all radios together. */
export const channelPlan = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'channels', side, version],
    queryFn: ({ signal }) =>
      unwrap<ChannelPlanView>(
        api.GET('/api/jobs/{id}/{side}/air/channels', { params: { path: { id, side } }, signal }),
      ),
  })

/** Where a box should stand: every place tried. */
export const standing = (id: string, side: Side, version: number, device: string) =>
  queryOptions({
    queryKey: ['job', id, 'standing', side, version, device],
    queryFn: ({ signal }) =>
      unwrap<Standing>(
        api.GET('/api/jobs/{id}/{side}/air/standing', {
          params: { path: { id, side }, query: { device } },
          signal,
        }),
      ),
    enabled: device !== '',
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  })

/** A box tried at another place, while it is carried over the floor. */
export const triedAt = (
  id: string,
  side: Side,
  version: number,
  at: { device: string; room: string; x: number; y: number } | null,
) =>
  queryOptions({
    queryKey: ['job', id, 'tried', side, version, at],
    queryFn: ({ signal }) =>
      unwrap<TriedView>(
        api.GET('/api/jobs/{id}/{side}/air/try', {
          params: { path: { id, side }, query: at ?? { device: '', room: '' } },
          signal,
        }),
      ),
    enabled: at !== null,
    placeholderData: (old) => old,
    retry: false,
    gcTime: 10_000,
  })

export const whatIfs = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'what-if', side, version],
    queryFn: ({ signal }) =>
      unwrap<WhatIf[]>(
        api.GET('/api/jobs/{id}/{side}/air/what-if', { params: { path: { id, side } }, signal }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  })

export const nameSchools = (id: string, side: Side, version: number, apart: boolean) =>
  queryOptions({
    queryKey: ['job', id, 'names', side, version, apart],
    queryFn: ({ signal }) =>
      unwrap<NameSchool[]>(
        api.GET('/api/jobs/{id}/{side}/air/names', {
          params: { path: { id, side }, query: { apart } },
          signal,
        }),
      ),
    placeholderData: (old) => old,
  })

/** What the last change of the plan costs, or saves; null where nothing is planned. */
export const lastChange = (id: string, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'last change', version],
    queryFn: async ({ signal }) =>
      (await unwrap<PlanChange | undefined>(
        api.GET('/api/jobs/{id}/planned/last-change', { params: { path: { id } }, signal }),
      )) ?? null,
    placeholderData: (old) => old,
  })

export const guestOffer = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'guests', side, version],
    queryFn: ({ signal }) =>
      unwrap<GuestOffer>(
        api.GET('/api/jobs/{id}/{side}/air/guests', { params: { path: { id, side } }, signal }),
      ),
    placeholderData: (old) => old,
  })

export const wallCorrection = (id: string, side: Side, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'walls', side, version],
    queryFn: ({ signal }) =>
      unwrap<WallCorrection>(
        api.GET('/api/jobs/{id}/{side}/air/walls', { params: { path: { id, side } }, signal }),
      ),
    placeholderData: (old) => old,
  })

export const saidRoom = (id: string, side: Side, text: string) =>
  unwrap<SaidRoom>(
    api.GET('/api/jobs/{id}/{side}/air/said-room', { params: { path: { id, side }, query: { text } } }),
  )

export const kitShelf = queryOptions({
  queryKey: ['kit'],
  queryFn: ({ signal }) => unwrap<KitView[]>(api.GET('/api/kit', { signal })),
})

export const keepKind = (job: string, box: string, name: string) =>
  unwrap<KitView>(api.POST('/api/kit/from-box', { body: { job, box, name } }))

export const importKind = (text: string) =>
  unwrap<KitView>(
    api.POST('/api/kit', {
      body: text as never,
      bodySerializer: (body) => body as unknown as string,
      headers: { 'content-type': 'application/json' },
    }),
  )

export const removeKind = (kit: string) =>
  unwrap<unknown>(api.DELETE('/api/kit/{kit}', { params: { path: { kit } } }))

export const secrets = (id: string) =>
  queryOptions({
    queryKey: ['job', id, 'secrets'],
    queryFn: ({ signal }) =>
      unwrap<SecretView[]>(api.GET('/api/jobs/{id}/secrets', { params: { path: { id } }, signal })),
  })

export const keepSecret = (id: string, name: string, value: string) =>
  unwrap<SecretView>(api.PUT('/api/jobs/{id}/secrets', { params: { path: { id } }, body: { name, value } }))

export const showSecret = (id: string, name: string) =>
  unwrap<{ value: string }>(
    api.POST('/api/jobs/{id}/secrets/show', { params: { path: { id } }, body: { name } }),
  )

export const forgetSecret = (id: string, name: string) =>
  unwrap<unknown>(api.POST('/api/jobs/{id}/secrets/forget', { params: { path: { id } }, body: { name } }))

export const suggestSecret = () =>
  unwrap<{ sayable: string; plain: string }>(api.POST('/api/secrets/suggest', {}))

export const photos = (id: string) =>
  queryOptions({
    queryKey: ['job', id, 'photos'],
    queryFn: ({ signal }) =>
      unwrap<PhotoView[]>(api.GET('/api/jobs/{id}/photos', { params: { path: { id } }, signal })),
  })

export const addPhoto = (id: string, subject: string, file: Blob) =>
  unwrap<PhotoAnswer>(
    api.POST('/api/jobs/{id}/photos', {
      params: { path: { id }, query: { subject } },
      body: file as never,
      bodySerializer: (body) => body as unknown as Blob,
      headers: { 'content-type': 'application/octet-stream' },
    }),
  )

export const deletePhoto = (id: string, photo: string) =>
  unwrap<unknown>(api.DELETE('/api/jobs/{id}/photos/{photo}', { params: { path: { id, photo } } }))

export const createJob = (from: 'empty' | 'demo' | 'demo-terrace' | 'demo-farm', name?: string) =>
  unwrap<JobAnswer>(api.POST('/api/jobs', { body: { from, name } })).then((job) => wholeJob(job))

export const importJob = (text: string) =>
  unwrap<JobAnswer>(
    api.POST('/api/jobs/import', {
      // The reader of documents wants the very bytes, so that it can name the line and column of a slip.
      body: text as never,
      bodySerializer: (body) => body as unknown as string,
      headers: { 'content-type': 'application/json' },
    }),
  ).then((job) => wholeJob(job))

/** The whole job as one file; the passwords only sealed by a phrase. */
export async function jobFile(id: string, withPhotos: boolean, phrase?: string): Promise<File> {
  const answer = await fetch(`/api/jobs/${id}/job-file`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ withPhotos, phrase }),
  })
  if (!answer.ok) throw new Error(await titleOf(answer))
  const name = /filename="?([^";]+)/.exec(answer.headers.get('content-disposition') ?? '')?.[1]
  return new File([await answer.blob()], name ?? 'house.altrin')
}

/** A job file comes in as a new job. */
export async function bringJob(file: File, phrase?: string): Promise<BroughtJob> {
  const answer = await fetch('/api/jobs/job-file', {
    method: 'POST',
    headers: {
      'content-type': 'application/zip',
      // Never in an address, which is kept in histories; letters of every language.
      ...(phrase ? { 'Altrin-Phrase': btoa(String.fromCharCode(...new TextEncoder().encode(phrase))) } : {}),
    },
    body: file,
  })
  if (!answer.ok) throw new Error(await titleOf(answer))
  return answer.json() as Promise<BroughtJob>
}

const titleOf = async (answer: Response) =>
  ((await answer.json().catch(() => null)) as { title?: string } | null)?.title ?? 'That did not work.'

export const copies = queryOptions({
  queryKey: ['copies'],
  queryFn: ({ signal }) => unwrap<CopyHead[]>(api.GET('/api/copies', { signal })),
})

export const makeCopy = () => unwrap<CopyHead[]>(api.POST('/api/copies', {}))

export const putBack = (name: string) =>
  unwrap<CopyHead[]>(api.POST('/api/copies/{name}/put-back', { params: { path: { name } } }))

export const deleteJob = (id: string) =>
  unwrap<unknown>(api.DELETE('/api/jobs/{id}', { params: { path: { id } } }))

/** @param drawn The version that was on screen when the person spoke. */
export const doDeeds = (
  id: string,
  side: Side,
  version: number,
  actions: Action[],
  say?: string,
  change?: string,
  drawn?: number,
) =>
  unwrap<JobAnswer>(
    api.POST('/api/jobs/{id}/{side}/deeds', {
      params: { path: { id, side } },
      body: { version, drawn, actions, say, id: change, onlyChanges: true },
    }),
  )

export const adoptPlan = (id: string, version: number, actions: Action[], say?: string, change?: string) =>
  unwrap<JobAnswer>(
    api.PUT('/api/jobs/{id}/planned', {
      params: { path: { id } },
      body: { version, actions, say, id: change, onlyChanges: true },
    }),
  )

export const undo = (id: string, side: Side, version: number, change?: string) =>
  unwrap<JobAnswer>(
    api.POST('/api/jobs/{id}/{side}/undo', {
      params: { path: { id, side } },
      body: { version, id: change, onlyChanges: true },
    }),
  )

export const redo = (id: string, side: Side, version: number, change?: string) =>
  unwrap<JobAnswer>(
    api.POST('/api/jobs/{id}/{side}/redo', {
      params: { path: { id, side } },
      body: { version, id: change, onlyChanges: true },
    }),
  )

export const answerHeld = (
  id: string,
  version: number,
  index: number,
  answer: 'take-out' | 'keep',
  change?: string,
) =>
  unwrap<JobAnswer>(
    api.POST('/api/jobs/{id}/planned/held', {
      params: { path: { id } },
      body: { version, index, answer, id: change, onlyChanges: true },
    }),
  )

export const setBack = (id: string, version: number) =>
  unwrap<JobAnswer>(api.POST('/api/jobs/{id}/set-back', { params: { path: { id } }, body: { version } }))

export const setTick = (
  id: string,
  step: string,
  tick: { revision: number; outcome: string; note?: string; startedAt?: string | null; seen?: string },
  asked: Asked = {},
) =>
  unwrap<TickView>(
    api.PUT('/api/jobs/{id}/work-order/{step}', { params: { path: { id, step }, query: asked }, body: tick }),
  )

/** The record, the household's page, what is missing, and every kind that can be taken out. */
export const handover = (id: string, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'handover', version],
    queryFn: ({ signal }) =>
      unwrap<HandoverView>(api.GET('/api/jobs/{id}/handover', { params: { path: { id } }, signal })),
    // Ticks and passwords change it without a new version.
    staleTime: 0,
  })

export const exportPath = (id: string, kind: string, more: Record<string, string> = {}) =>
  `/api/jobs/${id}/handover/file?${new URLSearchParams({ kind, ...more })}`

export const readTable = (id: string, table: string, kind?: string) =>
  unwrap<ImportView>(
    api.POST('/api/jobs/{id}/handover/table', { params: { path: { id } }, body: { table, kind } }),
  )

export const wifiCards = (id: string, ssids: string[], withPasswords: boolean) =>
  unwrap<WifiCard[]>(
    api.POST('/api/jobs/{id}/handover/cards', { params: { path: { id } }, body: { ssids, withPasswords } }),
  )

export const stickLabels = (id: string, version: number) =>
  queryOptions({
    queryKey: ['job', id, 'labels', version],
    queryFn: ({ signal }) =>
      unwrap<StickLabel[]>(api.GET('/api/jobs/{id}/handover/labels', { params: { path: { id } }, signal })),
  })

/** What was seen when something did not work, what may be wrong, and the next look. */
export const diagnosis = (id: string, version: number, hands?: string) =>
  queryOptions({
    queryKey: ['job', id, 'diagnosis', version, hands ?? ''],
    queryFn: ({ signal }) =>
      unwrap<DiagnosisView>(
        api.GET('/api/jobs/{id}/diagnosis', { params: { path: { id }, query: { with: hands } }, signal }),
      ),
  })

export const setDiagnosis = (
  id: string,
  hands: string | undefined,
  body: { number: number; revision: number; side: Side; seen: SeenEntry[]; aside: string[] },
) =>
  unwrap<DiagnosisView>(
    api.PUT('/api/jobs/{id}/diagnosis', { params: { path: { id }, query: { with: hands } }, body }),
  )

export const endDiagnosis = (
  id: string,
  hands: string | undefined,
  body: { number: number; revision: number; cause: number | null },
) =>
  unwrap<DiagnosisView>(
    api.POST('/api/jobs/{id}/diagnosis/end', { params: { path: { id }, query: { with: hands } }, body }),
  )

/** The mend of a cause as a work order of its own. */
export const mendOrder = (id: string, version: number, revision: number, cause: number, hands?: string) =>
  queryOptions({
    queryKey: ['job', id, 'mend', version, revision, cause, hands ?? ''],
    queryFn: ({ signal }) =>
      unwrap<WorkOrder>(
        api.GET('/api/jobs/{id}/diagnosis/mend', {
          params: { path: { id }, query: { cause, with: hands } },
          signal,
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  })

export const pasteSeen = (id: string, text: string, from: unknown) =>
  unwrap<SeenView[]>(
    api.POST('/api/jobs/{id}/diagnosis/paste', {
      params: { path: { id } },
      body: { text, from: from as never },
    }),
  )
