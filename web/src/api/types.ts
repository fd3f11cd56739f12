import type { components } from './generated/schema'

type Schemas = components['schemas']

export type JobLine = Schemas['JobLine']
/** A job as it is answered: a house that the page has already is left out. */
export type JobAnswer = Schemas['JobView']

/** One house of a job at a version of it, and what undo and redo do there. */
export type HouseView = Schemas['HouseView'] & {
  revision: number
  undo?: string | null
  redo?: string | null
}

/** A job with both its houses. */
export type JobView = Omit<JobAnswer, 'found' | 'planned'> & { found: HouseView; planned: HouseView }
export type FindingView = Schemas['FindingView']
export type ProvenFix = Schemas['ProvenFix']
export type FixesView = Schemas['FixesView']
export type WantView = Schemas['WantView']
export type HouseSummary = Schemas['HouseSummary']
export type HeldDeed = Schemas['HeldView']
export type OptionsView = Schemas['OptionsView']
export type OptionView = Schemas['OptionView']
export type MiniTread = Schemas['MiniTread']
export type Stairs = Schemas['Stairs']
export type Tread = Schemas['Tread']
export type Step = Schemas['Step']
export type InterfaceView = Schemas['InterfaceView']
export type House = Schemas['NetworkDocument']
export type Device = Schemas['Device']
export type DeviceMode = Schemas['DeviceMode']
export type Endpoint = Schemas['Endpoint']
export type Need = Schemas['Need']
export type Cable = Schemas['Cable']
export type Port = Schemas['Port']
export type WifiNetwork = Schemas['WifiNetwork']
export type WifiSecurity = Schemas['WifiSecurity']
export type Socket = Schemas['Socket']
export type Action = Schemas['InstallerAction']
export type WorkOrderView = Schemas['WorkOrderView']
export type WorkOrder = Schemas['WorkOrder']
export type WorkStep = Schemas['WorkStep']
export type BoxWords = Schemas['BoxWords']
export type JoinChoice = Schemas['JoinChoice']
export type TickView = Schemas['TickView']
export type LogView = Schemas['LogView']
export type UplinkView = Schemas['UplinkView']
export type Trace = Schemas['Trace']
export type TraceHop = Schemas['TraceHop']
export type ReachGrid = Schemas['ReachGrid']
export type ReachCell = Schemas['ReachExplained']
export type PortForward = Schemas['PortForward']
export type KitView = Schemas['KitView']
export type Walk = Schemas['Walk']
export type EyesState = Schemas['EyesState']
export type EyesSight = Schemas['EyesSight']
export type JobInWords = Schemas['JobInWords']
export type Question = Schemas['Question']
export type Stop = Schemas['Stop']
export type Paste = Schemas['Paste']
export type NotedLine = Schemas['NotedLine']
export type Proposal = Schemas['Proposal']
export type Ruler = Schemas['Ruler']
export type AddressMark = Schemas['AddressMark']
export type PoolMark = Schemas['PoolMark']
export type Reckoning = Schemas['Reckoning']
export type SubnetMove = Schemas['SubnetMove']
export type OtherBuilding = Schemas['OtherBuilding']
export type Building = Schemas['Building']
export type Room = Schemas['Room']
export type CableRun = Schemas['CableRun']
export type SecretView = Schemas['SecretView']
export type PhotoView = Schemas['PhotoView']
export type PhotoAnswer = Schemas['PhotoAnswer']
export type LabelCode = Schemas['LabelCode']
export type AddressNote = Schemas['AddressNote']
export type ShareView = Schemas['ShareView']
export type CopyHead = Schemas['CopyHead']
export type JoinCode = Schemas['JoinCodeView']
export type KeptAddresses = Schemas['KeptAddresses']
export type Meaning = Schemas['MeaningView']
export type Comparison = Schemas['Comparison']
export type RehearsalAnswer = Schemas['RehearsalView']
export type RehearsalView = Omit<Schemas['RehearsalView'], 'house'> & { house: HouseView }
export type TurnView = Schemas['TurnView']
export type SeenInstead = Schemas['SeenInstead']

/** What was seen instead of what a step said. */
export type Sighting = Schemas['SeenOtherwise']
export type AirView = Schemas['AirView']
export type AirRoomView = Schemas['AirRoomView']
export type AirStander = Schemas['AirStander']
export type AirLinkView = Schemas['AirLinkView']
export type BandStrip = Schemas['BandStrip']
export type StripRadio = Schemas['StripRadio']
export type StripNeighbour = Schemas['StripNeighbour']
export type ChannelPlanView = Schemas['ChannelPlanView']
export type Standing = Schemas['Standing']
export type Spot = Schemas['Spot']
export type TriedView = Schemas['TriedView']
export type WhatIf = Schemas['WhatIf']
export type NameSchool = Schemas['NameSchool']
export type PlanChange = Schemas['PlanChange']
export type GuestOffer = Schemas['GuestOffer']
export type WallCorrection = Schemas['WallCorrection']
export type SaidRoom = Schemas['SaidRoom']
export type RoomRate = Schemas['RoomRate']
export type Measurement = Schemas['Measurement']
export type NeighbourNetwork = Schemas['NeighbourNetwork']
export type Side = 'found' | 'planned'

/** What is settled of a plan beforehand: a box in a mode or under another, or never so. */
export type Pin = { device: string; use: string; forbidden: boolean }

/** What was looked for when something does not work. */
export type DiagnosisView = Schemas['DiagnosisView']
export type FoundOut = Schemas['FoundOut']
export type HandoverView = Schemas['HandoverView']
export type RecordPart = Schemas['RecordPart']
export type ImportView = Schemas['ImportView']
export type BroughtJob = Schemas['BroughtJob']
export type WifiCard = Schemas['WifiCard']
export type StickLabel = Schemas['StickLabel']
export type LookView = Schemas['LookView']
export type AnswerView = Schemas['AnswerView']
export type CauseView = Schemas['CauseView']
export type SeenView = Schemas['SeenView']
export type PastDiagnosis = Schemas['PastDiagnosis']

/** An entry of `altrin.sightings/1`. */
export type SeenEntry = { reading: string; value: unknown; from?: unknown; [field: string]: unknown }
