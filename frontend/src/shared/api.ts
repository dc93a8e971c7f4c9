import createClient from 'openapi-fetch'
import { patientFetch } from './connection'
import { seenAs } from './seenAs'
import type { components, paths } from './schema'

type Schemas = components['schemas']
export type Site = Schemas['Site']
export type SiteSummary = Schemas['SiteSummary']
export type Platform = Schemas['Platform']
export type Me = Schemas['Me']
export type Person = Schemas['Person']
export type PersonCard = Schemas['PersonCard']
export type Candidate = Schemas['Candidate']
export type Intake = Schemas['Intake']
export type RoleOption = Schemas['RoleOption']
export type Reason = Schemas['Reason']
export type ChangeLine = Schemas['ChangeLine']
export type AppliedChanges = Schemas['AppliedChanges']
export type FirstDayCheck = Schemas['FirstDayCheck']
export type RosterChange = Schemas['RosterChange']
export type Stretch = Schemas['Stretch']
export type Override = Schemas['Override']
export type LineRequest = Schemas['LineRequest']
export type Standing = Schemas['Standing']
export type Items = Schemas['Items']
export type Item = Schemas['Item']
export type Leak = Schemas['Leak']
export type Cohort = Schemas['Cohort']
export type CohortFacts = Schemas['CohortFacts']
export type CohortLink = Schemas['CohortLink']
export type CohortPair = Schemas['CohortPair']
export type CohortRule = Schemas['CohortRule']
export type Visibility = Schemas['Visibility']
export type Section = Schemas['Section']
export type Sections = Schemas['Sections']
export type RosterCounts = Schemas['Roster']['counts']
export type RosterRow = Schemas['Roster']['items'][number]
export type AccessCheck = Schemas['AccessCheck']
export type RuleBook = Schemas['RuleBook']
export type RulesPreview = Schemas['RulesPreview']
export type Settings = Schemas['Settings']
export type Look = Schemas['Look']
export type FirstSteps = Schemas['FirstSteps']
export type OpenDivision = Schemas['OpenDivision']
export type Registration = Schemas['Registration']
export type MailTrial = Schemas['MailTrial']
export type SettingsBook = Schemas['SettingsBook']
export type SettingsPlan = Schemas['SettingsPlan']
export type SettingsPreview = Schemas['SettingsPreview']
export type Rules = Schemas['Rules']
export type RoleRules = Schemas['RoleRules']
export type RuleProblem = Schemas['RuleProblem']
export type Permission = Schemas['Permission']
export type Administrators = Schemas['Administrators']
export type SiteChanges = Schemas['SiteChanges']
export type ChangeListSummary = Schemas['ChangeListSummary']
export type ChangeList = Schemas['ChangeList']
export type ChangeReview = Schemas['ChangeReview']
export type ContentsRequest = Schemas['ContentsRequest']
export type SignInCard = Schemas['SignInCard']
export type MessageKind = Schemas['MessageKind']
export type Message = Schemas['Message']
export type Today = Schemas['Today']
export type TodayDecisions = Schemas['TodayDecisions']
export type TodayDecision = Schemas['TodayDecision']
export type PlatformToday = Schemas['PlatformToday']
export type Numbers = Schemas['Numbers']
export type AccountBatch = Schemas['AccountBatch']
export type AccountList = Schemas['AccountList']
export type PersonPage = Schemas['PersonPage']
export type PersonDetail = Schemas['PersonDetail']
export type Merge = Schemas['Merge']
export type SiteMerge = Schemas['SiteMerge']
export type Forecast = Schemas['Forecast']
export type ForecastEvent = Schemas['ForecastEvent']
export type TermChange = Schemas['TermChange']
export type TermChangedSite = Schemas['TermChangedSite']
export type TermChangeWanted = Schemas['TermChangeWanted']
export type SiteSplit = Schemas['SiteSplit']
export type CarriedBack = Schemas['CarriedBack']
export type PastedLine = Schemas['PastedLine']
export type Door = Schemas['Door']
export type DoorRequest = Schemas['DoorRequest']
export type DoorReach = Schemas['DoorReach']
export type Waiting = Schemas['Waiting']
export type JoinLook = Schemas['JoinLook']
export type Joined = Schemas['Joined']
export type InviteLine = Schemas['InviteLine']
export type HistoryEntry = Schemas['HistoryEntry']
export type SiteRequest = Schemas['SiteRequest']
export type Approval = Schemas['Approval']
export type ProblemDocument = Schemas['Problem']

/** An error of the server as it said it; `kind` is the last word of its type. */
export class Problem extends Error {
  constructor(readonly document: ProblemDocument) {
    super(document.detail)
  }

  get kind(): string {
    return this.document.type.split(':').pop() ?? ''
  }

  /** What is wrong with one field, by the last part of its pointer. */
  field(name: string): string | undefined {
    return this.document.errors?.find((error) => error.pointer.endsWith('/' + name))?.detail
  }
}

export const api = createClient<paths>({ baseUrl: `${location.origin}/api/v1`, fetch: patientFetch })

api.use({
  onRequest({ request }) {
    if (seenAs.value && request.url.includes(`/sites/${seenAs.value.site}`)) {
      const url = new URL(request.url)
      url.searchParams.set('as', seenAs.value.as)
      request = new Request(url, request)
    }
    if (request.method !== 'GET') {
      request.headers.set('X-Mint-Door', '1')
      if (!request.headers.has('Idempotency-Key')) request.headers.set('Idempotency-Key', freshKey())
    }
    return request
  },
})

/** A key under which a change is done once, however often it is sent. */
export function freshKey(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('')
}

/** The data of an answer, or its problem thrown. */
export async function take<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call
  if (response.ok) return data as T
  const document = error as Partial<ProblemDocument> | undefined
  throw new Problem({
    type: document?.type ?? 'urn:mint-door:problem:unexpected',
    title: document?.title ?? 'Something went wrong',
    status: response.status,
    detail: document?.detail ?? 'Something went wrong on our side. Try again in a moment.',
    ...document,
  })
}
