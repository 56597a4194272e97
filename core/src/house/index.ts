export { addSteps } from './commissioning/add-steps.js';
export {
  type AddedStep,
  addedStepSchema,
  aboutStep,
  type Commissioning,
  commissioningSchema,
  emptyCommissioning,
  entryOf,
  isAboutStep,
  type Instrument,
  instrumentSchema,
  type PunchItem,
  punchItemSchema,
  sayOfStep,
  type Signature,
  signatureSchema,
  type StepEntry,
  stepEntrySchema,
  strokePath,
} from './commissioning/commissioning.schema.js';
export {
  type StagedOutage,
  stagedOutageSchema,
  type SystemAddress,
  systemAddressSchema,
  unitIdsOf,
} from './commissioning/system.schema.js';
export {
  type Calibration,
  calibrationSchema,
  type ChangeKind,
  type Deviation,
  deviationSchema,
  emptyLogbook,
  type LogDocument,
  logDocumentSchema,
  type Logbook,
  logbookSchema,
  type LoggedChange,
  loggedChangeSchema,
  type LoggedUnit,
  loggedUnitSchema,
  maxDocumentBytes,
  newLoggedUnit,
  type RecurringDate,
  recurringDateSchema,
  type Visit,
  visitSchema,
} from './logbook/logbook.schema.js';
export {
  type LoggedOutage,
  loggedOutageSchema,
  longestLoggedH,
  newLoggedOutage,
} from './logbook/logged-outage.schema.js';
export { waitsFor } from './course/waits-for.js';
export {
  type Course,
  courseSchema,
  type CourseState,
  courseStateNames,
  courseStates,
  courseStep,
  type CourseStep,
  courseStepSchema,
  emptyCourse,
  type ReviewComment,
  reviewCommentSchema,
  sayOfState,
  stateOfCourse,
} from './course/course.schema.js';
export { basisSource } from './loads/basis-source.js';
export { dailyEnergyWh } from './loads/daily-energy.js';
export { dayPartFacts } from './loads/day-parts.js';
export { hourlyByTierWh } from './loads/hourly-by-tier.js';
export { hourlyEnergyWh } from './loads/hourly-energy.js';
export type { TypicalLoad } from './loads/library/typical-load.js';
export { type CodeClass, kindFacts, type LoadKind } from './loads/load-kinds.js';
export { loadVoltageV } from './loads/load-voltage.js';
export {
  type DayPart,
  dayParts,
  type HoursOfUse,
  hoursOfUseSchema,
  type Load,
  loadSchema,
  type Start,
  startSchema,
  type Tier,
  tiers,
} from './loads/load.schema.js';
export { loadsByCircuit } from './loads/loads-by-circuit.js';
export { onShare } from './loads/on-share.js';
export { runningPowerVA } from './loads/running-power.js';
export { startAtVoltage } from './loads/start-at-voltage.js';
export { sumHourlyEnergyWh } from './loads/sum-hourly-energy.js';
export { circuitLegs, circuitLegSet } from './panels/circuit-legs.js';
export {
  circuitsById,
  circuitText,
  panelFedBy,
  type PlacedCircuit,
  spacesText,
} from './panels/find-circuit.js';
export { panelUpstream, wouldLoop } from './panels/panel-tree.js';
export {
  type Circuit,
  circuitSchema,
  type Device,
  deviceLabels,
  deviceSchema,
  emptySurvey,
  type FedFrom,
  maxDevices,
  type Panel,
  panelLayouts,
  panelSchema,
  type Service,
  serviceSchema,
  type Survey,
  surveySchema,
  type Protection,
} from './panels/panel.schema.js';
export { serviceRatingA } from './panels/service-rating.js';
export { settleRating } from './panels/settle-rating.js';
export { circuitLegSets, legsOnCircuit, settleLegs } from './panels/settle-legs.js';
export { panelRows, spaceAt, spaceLeg, spacePlace, spacesFrom } from './panels/space-place.js';
export { surveyProblems } from './panels/survey-problems.js';
export type { SurveyedHouse } from './panels/surveyed-house.js';
export {
  maxPhotoBytes,
  maxPhotos,
  type Photo,
  photoSchema,
  photoSidePx,
  type PhotoSubject,
  photoSubjects,
} from './photos/photo.schema.js';
export { type PhotoThing, photoThings } from './photos/photo-things.js';
export { settlePhotos } from './photos/settle-photos.js';
export { houseZone } from './site/house-zone.js';
export type { House } from './site/house.js';
export { noParties, type Parties, partiesSchema } from './site/parties.schema.js';
export { type Site, siteSchema, timeZoneSchema } from './site/site.schema.js';
export { houseClock, instantOf } from './usage/house-clock.js';
export { momentaryS, outageFacts, reliabilityFacts } from './usage/outage-facts.js';
export { type Channel, type ChannelRole, channelRoles, gap, type Readings } from './usage/readings.js';
export type { ReadingProblem } from './usage/row-collector.js';
export {
  type Bill,
  billSchema,
  emptyUsage,
  type Outage,
  outageSchema,
  type Reliability,
  reliabilitySchema,
  type Usage,
  usageSchema,
} from './usage/usage.schema.js';
export { usualShareWh } from './loads/use-for-energy.js';
export {
  enoughExplained,
  explainedShare,
  explainedWh,
  settleRest,
  unexplainedWh,
} from './billed/rest-of-bills.js';
export { seasonDayWh } from './billed/season-day.js';
export { isSouthern } from './site/is-southern.js';
export { facingOf } from './lot/facing-of.js';
export {
  type Corner,
  cornerSchema,
  emptyLot,
  type Lot,
  type LotMark,
  lotSchema,
  type MarkKind,
  markKinds,
  markSchema,
} from './lot/lot.schema.js';
export { lotProblems } from './lot/lot-problems.js';
export {
  type LegKind,
  legKinds,
  legSchema,
  newWall,
  type Opening,
  type OpeningKind,
  openingKinds,
  openingSchema,
  type PlaceKind,
  placeKinds,
  type RouteLeg,
  studWoods,
  type Wall,
  type WallRoute,
  wallRouteSchema,
  wallSchema,
  type WallTrace,
} from './lot/wall.schema.js';
