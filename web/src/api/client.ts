import { written } from '../measure/length'
import type { components } from './schema'

type Schemas = components['schemas']
export type SiteSummary = Schemas['SiteSummary']
export type SiteView = Schemas['SiteView']
export type SiteBody = Schemas['SiteBody']
export type MassingView = Schemas['MassingView']
export type RoomView = Schemas['RoomView']
export type FaceView = Schemas['FaceView']
export type GapView = Schemas['GapView']
export type OutlineView = Schemas['OutlineView']
export type ReadView = Schemas['ReadView']
export type ShapesView = Schemas['ShapesView']
export type FlowView = Schemas['FlowView']
export type SectionView = Schemas['SectionView']
export type StairView = Schemas['StairView']
export type MassView = Schemas['MassView']
export type LevelView = Schemas['LevelView']
export type OpeningView = Schemas['OpeningView']
export type PieceView = Schemas['PieceView']
export type BenchView = Schemas['BenchView']
export type DensitiesView = Schemas['DensitiesView']
export type DetailsView = Schemas['DetailsView']
export type DeliveryView = Schemas['DeliveryView']
export type PartWords = Schemas['PartWords']
export type PatternView = Schemas['PatternView']
export type PatternWords = Schemas['PatternWords']
export type MouldingView = Schemas['MouldingView']
export type MouldingWords = Schemas['MouldingWords']
export type ProfileView = Schemas['ProfileView']
export type PlacementView = Schemas['PlacementView']
export type PlaceBody = Schemas['PlaceBody']
export type PreviewView = Schemas['PreviewView']
export type SitePlanView = Schemas['SitePlanView']
export type AdviceView = Schemas['AdviceView']
export type StepTrialView = Schemas['StepTrialView']
export type ResizedView = Schemas['ResizedView']
export type LaidRunView = Schemas['LaidRunView']
export type LaidView = Schemas['LaidView']
export type SiteOptionView = Schemas['SiteOptionView']
export type KitRulesBody = Schemas['KitRulesBody']
export type TallyView = Schemas['TallyView']
export type FindingView = Schemas['FindingView']
export type SurveyView = Schemas['SurveyView']
export type UnitView = Schemas['UnitView']
export type Unit = UnitView['unit']
export type SheetView = Schemas['SheetView']
export type ItemView = Schemas['BoardItemView']
export type PlaneView = Schemas['PlaneView']
export type TagView = Schemas['TagView']
export type MarkView = Schemas['MarkView']
export type MeasuredView = Schemas['MeasuredView']
export type GridView = Schemas['GridView']
export type ProposalView = Schemas['ProposalView']
export type ListedView = Schemas['ListedView']
export type BriefView = Schemas['BriefView']
export type BriefChange = Schemas['BriefChange']
export type BudgetView = Schemas['BudgetView']
export type DivisionView = Schemas['DivisionView']
export type CardView = Schemas['CardView']
export type DepartureView = Schemas['DepartureView']
export type RepeatView = Schemas['RepeatView']
export type RepeatPreview = Schemas['RepeatPreview']
export type RuleWords = Schemas['RuleWords']
export type FollowingView = Schemas['FollowingView']
export type AssembliesView = Schemas['AssembliesView']
export type AssemblyView = Schemas['AssemblyView']
export type UseView = Schemas['UseView']
export type OpenedView = Schemas['OpenedView']
export type MoveView = Schemas['MoveView']
export type MisfitView = Schemas['MisfitView']
export type PlacedView = Schemas['PlacedView']
export type SheetMaterialView = Schemas['SheetMaterialView']
export type PlacedBody = Schemas['PlacedBody']
export type SharedSheetView = Schemas['SharedSheetView']
export type DressView = Schemas['DressView']
export type LooksView = Schemas['LooksView']
export type LookView = Schemas['LookView']
export type RepetitionView = Schemas['RepetitionView']
export type TwinView = Schemas['TwinView']
export type SelectionView = Schemas['SelectionView']
export type ColourwayView = Schemas['ColourwayView']
export type LightView = Schemas['LightView']
export type LampsView = Schemas['LampsView']
export type LampWords = Schemas['LampWords']
export type OneLamp = Schemas['OneLamp']
export type MoodView = Schemas['MoodView']
export type MoodWords = Schemas['MoodWords']
export type CoatView = Schemas['CoatView']
export type CoatWords = Schemas['CoatWords']
export type NewsView = Schemas['NewsView']
export type AccountView = Schemas['AccountView']
export type VecMm = Schemas['VecMm']
export type BoxMm = Schemas['BoxMm']

export interface Fault {
  field: string
  message: string
}

/** What the server refused, in words a person can act on. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly faults: Fault[] = [],
  ) {
    super(detail)
  }

  /** What is wrong with one field, if it is that one. */
  about(field: string): string | undefined {
    return this.faults.find((f) => f.field === field)?.message
  }
}

/** No answer came: the server is away. */
export class NoAnswer extends Error {}

interface Sending {
  /** The revision that its maker sees. */
  revision?: number
  /** Its maker's word for it, by which it is known if it comes twice. */
  key?: string
  signal?: AbortSignal
}

const SINCE = 'Hausbau-Since'
const MAKER = 'hausbau.maker'
let made = ''

/** Who this window is to the server: its steps are its own to take back, over a reload too, unless the browser keeps nothing. */
function maker(): string {
  if (made) return made
  try {
    made = sessionStorage.getItem(MAKER) ?? crypto.randomUUID()
    sessionStorage.setItem(MAKER, made)
  } catch {
    made ||= crypto.randomUUID()
  }
  return made
}

/** An edit's own answer, and what has changed since the revision that its maker sees, where the server could tell. */
export interface Made<T> {
  made: T
  news?: NewsView
}

/** Sends an edit of a site whose state at a revision is known: what it changes comes with its answer. */
export async function sendEdit<T>(method: string, path: string, body: unknown, sending: Sending & { since?: number }): Promise<Made<T>> {
  const response = await request(method, path, body, sending)
  return response.ok && response.headers.has(SINCE) ? answer<Made<T>>(response) : { made: await answer<T>(response) }
}

/** Sends a request; answers with the parsed body, or throws a Refusal or NoAnswer. */
export async function send<T>(method: string, path: string, body?: unknown, sending: Sending = {}): Promise<T> {
  return answer<T>(await request(method, path, body, sending))
}

function request(method: string, path: string, body: unknown, { revision, key, since, signal }: Sending & { since?: number }): Promise<Response> {
  const headers: Record<string, string> = { 'Hausbau-Maker': maker() }
  if (body !== undefined) headers['Content-Type'] = 'application/json'
  if (revision !== undefined) headers['If-Match'] = `"${revision}"`
  if (key !== undefined) headers['Idempotency-Key'] = key
  if (since !== undefined) headers[SINCE] = String(since)
  return call(path, { method, headers, body: body === undefined ? undefined : JSON.stringify(written(body)), signal })
}

async function call(path: string, init: RequestInit): Promise<Response> {
  try {
    return await fetch(path, init)
  } catch (e) {
    if (init.signal?.aborted) throw e
    throw new NoAnswer('The server does not answer.')
  }
}

async function answer<T>(response: Response): Promise<T> {
  if (response.ok) {
    return (response.status === 204 || response.status === 208 ? undefined : await response.json()) as T
  }
  if (response.status === 502 || response.status === 504) throw new NoAnswer('The server does not answer.')
  const problem = (await response.json().catch(() => ({}))) as { detail?: string; errors?: Fault[] }
  throw new Refusal(response.status, problem.detail ?? `The server answered ${response.status}.`, problem.errors)
}

export const get = <T>(path: string, signal?: AbortSignal) => send<T>('GET', path, undefined, { signal })

/** Fetches bytes; throws a Refusal or NoAnswer. */
export async function getBytes(path: string): Promise<ArrayBuffer> {
  const response = await call(path, {})
  return response.ok ? response.arrayBuffer() : answer<ArrayBuffer>(response)
}
