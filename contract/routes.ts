import type { Lesson } from '@rocchetto/core/alter/fit-history.ts';
import { z } from 'zod';
import {
  AlterationChange,
  AlterationWrite,
  BoxWrite,
  OrderAlterations,
  StepWrite,
  UndoWrite,
} from './alterations.ts';
import { HomeLinkView, HomeLook, HomePage, HomeSend, NewHomeLink } from './at-home.ts';
import { Id, Version } from './basics.ts';
import { BenchDone, BenchKept, BenchRow, BenchWeek, BenchWrite, Proposal } from './bench.ts';
import { HouseBenchView, HouseBenchWrite } from './bench-rules.ts';
import { HouseRulesWire } from './brief.ts';
import { BroughtInWrite } from './brought-in.ts';
import { BusyFile, BusyKept, BusyWrite } from './calendars.ts';
import { ClientAwayWrite, ClientFull, ClientRow, ClientView, ClientWrite } from './clients.ts';
import { ClothQuery, ClothView, LayKeep } from './cloth-lay.ts';
import { ChartChange, ChartFile, ChartRead, ChartText, KeptChart, SizeChoice, SizesView } from './compare.ts';
import { DesignView, Like, LikeWrite, PHOTO_OF, QuestionDecided, QuestionWrite } from './design.ts';
import {
  AheadView,
  AnswerLook,
  AppointmentDetails,
  AppointmentReady,
  AppointmentStep,
  AppointmentView,
  Carrier,
  ClientAnswer,
  ClientPage,
  DiaryHouse,
  DiaryQuery,
  DiaryView,
  FeedView,
  FreeTimes,
  HandedOver,
  HandOver,
  MessagesQuery,
  MoveAppointment,
  NewAppointment,
  NewFeed,
  Outbox,
  SeriesQuery,
  TimesQuery,
} from './diary.ts';
import {
  ClosureWrite,
  DiaryRuleChange,
  DiaryRulesChange,
  ImpactAsked,
  ImpactPreview,
  LeaveWrite,
  RoomWrite,
  StaffWork,
} from './diary-rules.ts';
import {
  Account,
  DoorsWrite,
  EventsQuery,
  FactorBegun,
  FactorConfirm,
  FactorOff,
  FactorOn,
  PassphraseChange,
  SecurityEvents,
  SignIn,
  Unlock,
} from './doors.ts';
import {
  EstimateAgree,
  EstimateKeep,
  EstimatePdfQuery,
  EstimateView,
  EstimateWithdraw,
  EstimateWrite,
} from './estimate.ts';
import { FlatAccept, FlatLay, FlatReadings, FlatTolerance, FlatView } from './flat.ts';
import { GarmentRow, GarmentWrite, OwnBlock, OwnBlockWrite } from './garments.ts';
import { FirstSteps, HouseView, HouseWrite } from './house.ts';
import { HouseRulesView } from './house-rules.ts';
import { ENCODINGS, ImportLook, ImportView, MappingWire } from './imports.ts';
import {
  CareWrite,
  HandOverWrite,
  LeavingView,
  PinsView,
  PinsWrite,
  PointsWrite,
  RackWrite,
  TakeBackWrite,
} from './leaving.ts';
import { made } from './made.ts';
import { MailServerView, MailServerWrite, MailTry } from './mail.ts';
import type { Action } from './may.ts';
import { MeasuringList, MeasuringListChange, MeasuringListWrite, UseMeasuring } from './measuring-lists.ts';
import { MoneyView, MoneyWrite } from './money.ts';
import {
  BriefChange,
  FurtherGarment,
  OrderCancel,
  OrderFull,
  OrderRow,
  OrdersQuery,
  OrderWrite,
} from './orders.ts';
import { PatternQuery, PatternView } from './pattern.ts';
import { PhotoView } from './photos.ts';
import {
  BrokenView,
  PastView,
  PlanAccept,
  PlanAccepted,
  PlanView,
  PlanWrite,
  PromisesAsk,
  PromisesView,
} from './plan.ts';
import { Earlier, Readings, ReadingsAnswer, SessionFull } from './sessions.ts';
import { Agree, MarkCut, SheetChange, SheetView } from './sheets.ts';
import { SpecOrSheetFile } from './spec.ts';
import { Me, NewStaff, OwnUnit, Setup, StaffChange, StaffView } from './staff.ts';
import { HistoryView, PairsWrite, WhoseTape } from './tape.ts';
import { ClientMoves, ClientMovesAsk, WouldMove, WouldMoveAsk } from './would-move.ts';

/** What a route is: who may, what it takes, what it answers. The server, its tests and its description read this. */
export interface Route {
  readonly does: string;
  /** the action it needs; `signed-in` for any hand of the house, `open` for everyone */
  readonly may: Action | 'signed-in' | 'open';
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** what a good answer holds as JSON; none where it is a file */
  readonly answer?: z.ZodType;
  /** the status of a good answer, 200 when left out */
  readonly status?: 201;
  /** what a good answer is written in, JSON when left out */
  readonly media?: string;
}

const Ok = z.strictObject({ ok: z.literal(true) });
const Empty = z.strictObject({});
/** something was made: its id */
const Made = z.strictObject({ id: Id });
/** a link that is shown once, and never again */
const Linked = z.strictObject({ id: Id, path: z.string() });
const Versioned = z.strictObject({ version: Version });
const Kept = z.strictObject({ id: Id, version: Version });
const SetUp = z.strictObject({ ok: z.literal(true), in: z.boolean() });
const Unlocked = z.strictObject({ csrf: z.string() });
const version = { version: Version };
const typed = (max: number) => z.string().max(max).default('');
const page = { afterName: z.string().max(200).optional(), afterId: z.coerce.number().pipe(Id).optional() };
const sheetQuery = z.object({
  revision: z.coerce.number().pipe(z.int().min(1).max(999_999)).optional(),
  unit: z.enum(['cm', 'in'], 'The unit of a sheet is cm or in.').optional(),
  both: z.enum(['0', '1']).optional(),
});
const sheet = 'The order’s specification sheet';

/** Every route below /api. A key is its method and its path; `:id` is a number, `:uuid` a UUID. */
export const ROUTES = {
  'GET /health': { does: 'Whether the server and its database are there', may: 'open', answer: Ok },
  'POST /sign-in': { does: 'Signs in by name and passphrase', may: 'open', body: SignIn, answer: Ok },
  'POST /sign-out': { does: 'Ends this sign-in', may: 'open', answer: Ok },
  'POST /setup': { does: 'Sets a passphrase from a one-time link', may: 'open', body: Setup, answer: SetUp },
  'GET /me': { does: 'Who is signed in, and the studio', may: 'signed-in', answer: Me },
  'PUT /me/unit': {
    does: 'Changes in what one measures and reads',
    may: 'signed-in',
    body: OwnUnit,
    answer: OwnUnit,
  },
  'GET /me/account': {
    does: 'Where one is signed in, and one’s second factor',
    may: 'signed-in',
    answer: Account,
  },
  'POST /me/passphrase': {
    does: 'Changes one’s own passphrase and ends one’s other sign-ins',
    may: 'signed-in',
    body: PassphraseChange,
    answer: Ok,
  },
  'DELETE /me/sign-ins/:id': { does: 'Ends one of one’s own sign-ins', may: 'signed-in', answer: Ok },
  'POST /lock': {
    does: 'Locks this screen: nothing is answered until the passphrase',
    may: 'signed-in',
    answer: Ok,
  },
  'POST /unlock': { does: 'Unlocks it by the passphrase', may: 'signed-in', body: Unlock, answer: Unlocked },
  'POST /me/second-factor': {
    does: 'Begins a second factor: a secret for an authenticator',
    may: 'signed-in',
    answer: FactorBegun,
  },
  'POST /me/second-factor/confirm': {
    does: 'Turns it on by a first code; answers the recovery codes',
    may: 'signed-in',
    body: FactorConfirm,
    answer: FactorOn,
  },
  'POST /me/second-factor/off': { does: 'Turns it off', may: 'signed-in', body: FactorOff, answer: Ok },
  'GET /security': {
    does: 'What happened at the doors, the newest first',
    may: 'staff.manage',
    query: EventsQuery,
    answer: SecurityEvents,
  },
  'GET /security/doors': {
    does: 'After how long a screen locks, and who needs a second factor',
    may: 'staff.manage',
    answer: DoorsWrite,
  },
  'PUT /security/doors': { does: 'Changes these', may: 'staff.manage', body: DoorsWrite, answer: DoorsWrite },
  'GET /live': {
    does: 'Tells ids and versions of what changes, as it changes',
    may: 'signed-in',
    media: 'text/event-stream',
  },
  'GET /openapi.json': { does: 'This description', may: 'signed-in' },
  'GET /house': { does: 'The house settings', may: 'staff.read', answer: HouseView },
  'GET /garments': {
    does: 'Compositions of parts the house has saved',
    may: 'order.read',
    answer: z.array(GarmentRow).readonly(),
  },
  'POST /garments': {
    does: 'Saves a composition of parts under a name',
    may: 'sheet.write',
    body: GarmentWrite,
    status: 201,
    answer: GarmentRow,
  },
  'DELETE /garments/:id': { does: 'Takes a saved composition off the list', may: 'house.write', answer: Ok },
  'GET /clients/:id/blocks': {
    does: 'A client’s own blocks',
    may: 'sheet.read',
    answer: z.array(OwnBlock).readonly(),
  },
  'POST /clients/:id/blocks': {
    does: 'Keeps parts and steps as a client’s own block',
    may: 'sheet.write',
    body: OwnBlockWrite,
    status: 201,
    answer: Made,
  },
  'DELETE /blocks/:id': {
    does: 'Takes such a block off; briefs made with it stay',
    may: 'sheet.write',
    answer: Ok,
  },
  'PUT /house': {
    does: 'Changes the house settings',
    may: 'house.write',
    body: HouseWrite.extend(version),
    answer: HouseView,
  },
  'GET /house/mail': { does: 'The studio’s mail server', may: 'house.write', answer: MailServerView },
  'PUT /house/mail': {
    does: 'Changes the studio’s mail server',
    may: 'house.write',
    body: MailServerWrite.safeExtend(version),
    answer: MailServerView,
  },
  'POST /house/mail/try': {
    does: 'Sends a test letter through the mail server',
    may: 'house.write',
    body: MailTry,
    answer: Ok,
  },
  'GET /house/first-steps': {
    does: 'What of the first steps of a new studio is done',
    may: 'house.write',
    answer: FirstSteps,
  },
  'POST /house/first-steps/away': {
    does: 'Puts the list of first steps away',
    may: 'house.write',
    body: z.strictObject({}),
    answer: Ok,
  },
  'GET /house/rules': {
    does: 'The house’s rules, and who changed them when',
    may: 'staff.read',
    answer: HouseRulesView,
  },
  'PUT /house/rules': {
    does: 'Changes the house’s rules',
    may: 'house.write',
    body: z.strictObject({ ...version, rules: HouseRulesWire }),
    answer: Versioned,
  },
  'POST /house/rules/would-move': {
    does: 'What other rules would move; changes nothing',
    may: 'house.write',
    body: WouldMoveAsk,
    answer: WouldMove,
  },
  'POST /clients/:id/would-move': {
    does: 'What a measuring of the client, or other readings in one, would move in the open orders; changes nothing',
    may: 'session.read',
    body: ClientMovesAsk,
    answer: ClientMoves,
  },
  'GET /house/bench': {
    does: 'Minutes, prices and signs of the house, and who changed them when',
    may: 'alter.read',
    answer: HouseBenchView,
  },
  'PUT /house/bench': {
    does: 'Changes minutes, prices and signs',
    may: 'house.write',
    body: HouseBenchWrite,
    answer: Versioned,
  },
  'GET /orders/:id/design': {
    does: 'Open questions of an order, and what its client likes',
    may: 'order.read',
    answer: DesignView,
  },
  'GET /orders/:id/plan': {
    does: 'What can be promised of an order: its steps at their earliest and latest; nothing is booked by it',
    may: 'diary.read',
    answer: PlanView,
  },
  'GET /plan-past': {
    does: 'How long work of plans took, beside what the table of times gave it',
    may: 'bench.write',
    answer: PastView,
  },
  'GET /promises': {
    does: 'All orders in work planned together: what holds, and what would break if something moved',
    may: 'diary.read',
    query: PromisesAsk,
    answer: PromisesView,
  },
  'GET /promises/broken': {
    does: 'The promises that do not hold, as they were a moment ago: at most five minutes, ten seconds after a change',
    may: 'diary.read',
    answer: BrokenView,
  },
  'PUT /orders/:id/plan': {
    does: 'Chooses how its work goes, and what of its steps is its own',
    may: 'bench.write',
    body: PlanWrite,
    answer: Versioned,
  },
  'POST /orders/:id/plan/accept': {
    does: 'Takes work and appointments of a plan into bench and diary, all of them or none',
    may: 'bench.write',
    body: PlanAccept,
    status: 201,
    answer: PlanAccepted,
  },
  'GET /orders/:id/estimate': {
    does: 'What an order would cost: its work by the house’s rates, cloth, notions; and the estimates that were kept',
    may: 'money.read',
    answer: EstimateView,
  },
  'PUT /orders/:id/estimate': {
    does: 'Writes prices of its cloth and notions, lines of its own, the price that is asked',
    may: 'order.write',
    body: EstimateWrite,
    answer: Versioned,
  },
  'POST /orders/:id/estimates': {
    does: 'Keeps the estimate as it was seen, as its next revision',
    may: 'order.write',
    body: EstimateKeep,
    status: 201,
    answer: Made,
  },
  'POST /estimates/:id/agree': {
    does: 'Says who agreed to a kept estimate; one that was agreed before is replaced',
    may: 'order.write',
    body: EstimateAgree,
    answer: Ok,
  },
  'POST /estimates/:id/withdraw': {
    does: 'Withdraws a kept estimate, with a reason',
    may: 'order.write',
    body: EstimateWithdraw,
    answer: Ok,
  },
  'GET /orders/:id/estimate.pdf': {
    does: 'An estimate on paper: for the client, or in detail for the studio',
    may: 'money.read',
    query: EstimatePdfQuery,
    media: 'application/pdf',
  },
  'POST /orders/:id/questions': {
    does: 'Keeps something that is not decided yet',
    may: 'alter.ask',
    body: QuestionWrite,
    status: 201,
    answer: Kept,
  },
  'POST /questions/:id/decided': {
    does: 'Says what was decided, or opens it again',
    may: 'alter.ask',
    body: QuestionDecided,
    answer: Kept,
  },
  'POST /orders/:id/likes': {
    does: 'Notes on the client’s card what they like',
    may: 'alter.ask',
    body: LikeWrite,
    status: 201,
    answer: Made,
  },
  'GET /clients/:id/likes': {
    does: 'What a client likes',
    may: 'client.read',
    answer: z.array(Like).readonly(),
  },
  'DELETE /likes/:id': { does: 'Takes it off the card', may: 'client.write', answer: Ok },
  'GET /orders/:id/learnt': {
    does: 'What the fittings of the client’s other orders have shown',
    may: 'sheet.read',
    answer: z.array(made<Lesson>()).readonly(),
  },
  'GET /orders/:id/money': {
    does: 'What an order comes to, and what was noted of it',
    may: 'money.read',
    answer: MoneyView,
  },
  'POST /orders/:id/money': {
    does: 'Notes a price, what was received or given back; pays nothing',
    may: 'order.write',
    body: MoneyWrite,
    status: 201,
    answer: Made,
  },
  'DELETE /money/:id': { does: 'Takes such a note back', may: 'order.write', answer: Ok },
  'GET /orders/:id/leaving': {
    does: 'Where the garment hangs, its care, when it is fetched',
    may: 'alter.read',
    answer: LeavingView,
  },
  'PUT /orders/:id/rack': { does: 'Says where it hangs', may: 'alter.work', body: RackWrite, answer: Ok },
  'PUT /orders/:id/care': { does: 'Words its care', may: 'alter.accept', body: CareWrite, answer: Ok },
  'GET /orders/:id/alterations': {
    does: 'An order’s alterations, with boxes, steps and drawings',
    may: 'alter.read',
    answer: OrderAlterations,
  },
  'POST /orders/:id/alterations': {
    does: 'Asks for an alteration',
    may: 'alter.ask',
    body: AlterationWrite,
    status: 201,
    answer: Kept,
  },
  'PUT /alterations/:id': {
    does: 'Changes what is asked, before it is agreed',
    may: 'alter.ask',
    body: AlterationChange,
    answer: Kept,
  },
  'POST /alterations/:id/steps': {
    does: 'Takes one step: agreed, declined, begun, done, checked …',
    may: 'alter.work',
    body: StepWrite,
    answer: Kept,
  },
  'POST /alterations/:id/undo': {
    does: 'Takes back one’s own last step of an alteration',
    may: 'alter.work',
    body: UndoWrite,
    answer: Kept,
  },
  'POST /alterations/:id/boxes': {
    does: 'Ticks the box of one piece, or strikes it with a reason',
    may: 'alter.work',
    body: BoxWrite,
    answer: Kept,
  },
  'POST /brought-in': {
    does: 'Brings in a garment to be altered: an order of its own, with a claim ticket',
    may: 'alter.ask',
    body: BroughtInWrite,
    status: 201,
    answer: z.strictObject({ orderId: Id, code: z.string() }),
  },
  'GET /orders/:id/ticket.pdf': {
    does: 'The claim ticket, to print',
    may: 'alter.ask',
    media: 'application/pdf',
  },
  'GET /tickets': {
    does: 'The order of a claim ticket',
    may: 'order.read',
    query: z.object({ code: z.string().max(40) }),
    answer: z.strictObject({ orderId: Id }),
  },
  'GET /orders/:id/photos': {
    does: 'The photographs of an order',
    may: 'alter.read',
    answer: z.array(PhotoView).readonly(),
  },
  'POST /orders/:id/photos': {
    does: 'Keeps a photograph: the picture itself is the body; where and with what it was taken is not kept',
    may: 'alter.work',
    query: z.object({
      words: z.string().trim().max(200).optional(),
      about: z.enum(PHOTO_OF).default('garment'),
      alteration: z.coerce.number().pipe(Id).optional(),
    }),
    status: 201,
    answer: Made,
  },
  'GET /photos/:id/picture.jpg': { does: 'A photograph', may: 'alter.read', media: 'image/jpeg' },
  'GET /photos/:id/thumb.jpg': { does: 'A photograph, small', may: 'alter.read', media: 'image/jpeg' },
  'DELETE /photos/:id': { does: 'Takes a photograph out of the book', may: 'alter.accept', answer: Ok },
  'POST /orders/:id/pins': {
    does: 'Counts pins in or out',
    may: 'alter.work',
    body: PinsWrite,
    status: 201,
    answer: z.strictObject({ pins: PinsView.nullable() }),
  },
  'DELETE /orders/:id/pins': {
    does: 'Crosses out the last count of pins',
    may: 'alter.work',
    answer: z.strictObject({ pins: PinsView.nullable() }),
  },
  'POST /orders/:id/points': {
    does: 'Keeps what was measured on the finished garment',
    may: 'alter.work',
    body: PointsWrite,
    status: 201,
    answer: Ok,
  },
  'POST /orders/:id/hand-over': {
    does: 'Hands the garment over, when nothing stands in the way',
    may: 'alter.ask',
    body: HandOverWrite,
    status: 201,
    answer: Ok,
  },
  'POST /orders/:id/take-back': {
    does: 'Takes a garment that was handed over in again',
    may: 'alter.ask',
    body: TakeBackWrite,
    answer: Ok,
  },
  'GET /orders/:id/fitting-record.pdf': {
    does: 'The fitting record: marks, decisions, jobs, agreements, measured against the sheet',
    may: 'alter.read',
    media: 'application/pdf',
  },
  'GET /bench/week': {
    does: 'What each day of each hand holds: hours, appointments, work promised, what is free',
    may: 'bench.write',
    answer: BenchWeek,
  },
  'GET /bench/proposal': {
    does: 'Who could do what in the days ahead; gives nothing to anybody',
    may: 'bench.write',
    answer: Proposal,
  },
  'GET /bench': {
    does: 'Alterations that are open: one hand’s, or all',
    may: 'alter.read',
    query: z.object({ staffId: z.coerce.number().pipe(Id).optional() }),
    answer: z.array(BenchRow).readonly(),
  },
  'GET /staff': { does: 'Who works here', may: 'staff.read', answer: z.array(StaffView).readonly() },
  'POST /staff': {
    does: 'Adds to the staff',
    may: 'staff.manage',
    body: NewStaff,
    status: 201,
    answer: Linked,
  },
  'PUT /staff/:id': {
    does: 'Changes the name or role of a member of staff',
    may: 'staff.manage',
    body: StaffChange,
    answer: Ok,
  },
  'POST /staff/:id/link': { does: 'A new one-time link', may: 'staff.manage', status: 201, answer: Linked },
  'DELETE /staff/:id/link': { does: 'Withdraws a sign-in link', may: 'staff.manage', answer: Ok },
  'DELETE /staff/:id': { does: 'Removes somebody from the staff', may: 'staff.manage', answer: Ok },
  'GET /diary/house': {
    does: 'Staff, rooms, hours, kinds: what the diary goes by',
    may: 'diary.read',
    answer: DiaryHouse,
  },
  'GET /diary/rules/changes': {
    does: 'Who changed what the diary goes by, when',
    may: 'diary.read',
    answer: z.array(DiaryRuleChange).readonly(),
  },
  'POST /diary/would-stand': {
    does: 'Which bookings ahead other hours or another kind would leave as they are; changes nothing',
    may: 'house.write',
    body: ImpactAsked,
    answer: ImpactPreview,
  },
  'PUT /diary/rules': {
    does: 'Changes opening hours and kinds of appointment',
    may: 'house.write',
    body: DiaryRulesChange,
    answer: Versioned,
  },
  'PUT /staff/:id/work': {
    does: 'Changes skills, hours and mark of a member of staff',
    may: 'staff.manage',
    body: StaffWork.extend(version),
    answer: Kept,
  },
  'POST /staff/:id/hand-over': {
    does: 'Gives somebody’s bookings ahead to another',
    may: 'staff.manage',
    body: HandOver,
    answer: HandedOver,
  },
  'GET /staff/:id/ahead': { does: 'What somebody has ahead', may: 'staff.manage', answer: AheadView },
  'GET /messages': {
    does: 'Messages to clients: sent, recorded and scheduled',
    may: 'diary.write',
    query: MessagesQuery,
    answer: Outbox,
  },
  'POST /messages/carrier': {
    does: 'Makes sending fail, or ends it (demo only)',
    may: 'house.write',
    body: Carrier,
    answer: Carrier,
  },
  'POST /messages/:id/again': {
    does: 'Sends again what did not reach the client',
    may: 'diary.write',
    answer: Ok,
  },
  'POST /answer/look': {
    does: 'A client’s own page of one appointment',
    may: 'open',
    body: AnswerLook,
    answer: ClientPage,
  },
  'POST /answer': { does: 'What the client says to it', may: 'open', body: ClientAnswer, answer: ClientPage },
  'POST /at-home/look': {
    does: 'A client’s own page for measuring at home',
    may: 'open',
    body: HomeLook,
    answer: HomePage,
  },
  'POST /at-home': {
    does: 'Keeps what a client read at home, once',
    may: 'open',
    body: HomeSend,
    answer: HomePage,
  },
  'GET /orders/:id/home-links': {
    does: 'Links with which the client measures at home',
    may: 'order.write',
    answer: z.array(HomeLinkView).readonly(),
  },
  'POST /orders/:id/home-links': {
    does: 'Makes a link with which the client measures at home; earlier ones close',
    may: 'order.write',
    body: NewHomeLink,
    status: 201,
    answer: Linked,
  },
  'POST /home-links/:id/close': { does: 'Closes such a link', may: 'order.write', answer: Empty },
  'GET /feed.ics': {
    does: 'Appointments of somebody or of a room, for a calendar program, behind a private address',
    may: 'open',
    query: z.object({ key: z.string().max(100).default('') }),
    media: 'text/calendar',
  },
  'GET /feeds': {
    does: 'Calendar addresses one has made',
    may: 'diary.read',
    answer: z.array(FeedView).readonly(),
  },
  'POST /feeds': {
    does: 'Makes a private calendar address, shown once',
    may: 'diary.read',
    body: NewFeed,
    status: 201,
    answer: Linked,
  },
  'DELETE /feeds/:id': { does: 'Takes a calendar address back', may: 'diary.read', answer: Ok },
  'GET /appointments/:id/appointment.ics': {
    does: 'An appointment as iCalendar',
    may: 'diary.read',
    media: 'text/calendar',
  },
  'POST /rooms': { does: 'Adds a room', may: 'house.write', body: RoomWrite, status: 201, answer: Made },
  'PUT /rooms/:id': {
    does: 'Changes a room',
    may: 'house.write',
    body: RoomWrite.extend(version),
    answer: Kept,
  },
  'DELETE /rooms/:id': { does: 'Takes a room off the list', may: 'house.write', answer: Ok },
  'POST /leave': {
    does: 'Keeps days for somebody’s leave',
    may: 'staff.manage',
    body: LeaveWrite,
    status: 201,
    answer: Made,
  },
  'DELETE /leave/:id': { does: 'Takes leave back', may: 'staff.manage', answer: Ok },
  'POST /closures': {
    does: 'Closes the house on days',
    may: 'house.write',
    body: ClosureWrite,
    status: 201,
    answer: Made,
  },
  'DELETE /closures/:id': {
    does: 'Opens the house again on days it was closed',
    may: 'house.write',
    answer: Ok,
  },
  'GET /diary': {
    does: 'Days of the diary with their appointments',
    may: 'diary.read',
    query: DiaryQuery,
    answer: DiaryView,
  },
  'GET /diary/times': {
    does: 'Free times, the best first, each with its reasons',
    may: 'diary.write',
    query: TimesQuery,
    answer: FreeTimes,
  },
  'GET /diary/series': {
    does: 'Several free times in a row, so many days apart, the last by a day',
    may: 'diary.write',
    query: SeriesQuery,
    answer: FreeTimes.omit({ says: true }),
  },
  'POST /orders/:id/bench': {
    does: 'Promises work at the bench to an order, for a day',
    may: 'bench.write',
    body: BenchWrite,
    status: 201,
    answer: BenchKept,
  },
  'PUT /bench/:id': {
    does: 'Changes it',
    may: 'bench.write',
    body: BenchWrite.extend(version),
    answer: BenchKept,
  },
  'POST /bench/:id/done': {
    does: 'Says that it is done, or not',
    may: 'diary.ready',
    body: BenchDone,
    answer: BenchKept,
  },
  'DELETE /bench/:id': { does: 'Takes it back', may: 'bench.write', answer: BenchKept },
  'POST /clients/:id/away': {
    does: 'Notes days on which a client cannot come',
    may: 'diary.write',
    body: ClientAwayWrite,
    status: 201,
    answer: Made,
  },
  'DELETE /client-away/:id': { does: 'Takes such days back', may: 'diary.write', answer: Ok },
  'GET /busy': {
    does: 'Calendars whose busy times are kept free: one’s own, or all',
    may: 'diary.read',
    answer: z.array(BusyFile).readonly(),
  },
  'POST /busy': {
    does: 'Reads busy times from a calendar file, in place of the earlier one of this name',
    may: 'diary.read',
    body: BusyWrite,
    status: 201,
    answer: BusyKept,
  },
  'DELETE /busy/:id': { does: 'Takes them back', may: 'diary.read', answer: Ok },
  'POST /appointments': {
    does: 'Books an appointment, or offers several times for it',
    may: 'diary.write',
    body: NewAppointment,
    status: 201,
    answer: AppointmentView,
  },
  'GET /appointments/:id': {
    does: 'An appointment with the times it had',
    may: 'diary.read',
    answer: AppointmentView,
  },
  'PUT /appointments/:id': {
    does: 'Changes what is noted with it',
    may: 'diary.write',
    body: AppointmentDetails,
    answer: AppointmentView,
  },
  'POST /appointments/:id/move': {
    does: 'Moves it to another time',
    may: 'diary.write',
    body: MoveAppointment,
    answer: AppointmentView,
  },
  'POST /appointments/:id/status': {
    does: 'Says how it stands',
    may: 'diary.write',
    body: AppointmentStep,
    answer: AppointmentView,
  },
  'POST /appointments/:id/close-link': {
    does: 'Ends the client’s own page of it: the link she was sent opens nothing any more',
    may: 'diary.write',
    answer: z.strictObject({ ended: z.number() }),
  },
  'POST /appointments/:id/ready': {
    does: 'Says that what it needs is there',
    may: 'diary.ready',
    body: AppointmentReady,
    answer: AppointmentView,
  },
  'GET /clients': {
    does: 'The book in order of name, or who is found by what is typed',
    may: 'client.read',
    query: z.object({ q: typed(200), ...page }),
    answer: z.array(ClientRow).readonly(),
  },
  'GET /clients/likely': {
    does: 'Clients who may be the same person',
    may: 'client.write',
    query: z.object({
      name: typed(200),
      phone: typed(60),
      except: z.coerce.number().pipe(z.int().min(0)).default(0),
    }),
    answer: z.array(ClientRow).readonly(),
  },
  'POST /clients': {
    does: 'Adds a client',
    may: 'client.write',
    body: ClientWrite,
    status: 201,
    answer: ClientView,
  },
  'GET /clients/:id': {
    does: 'A client’s card, with orders and sessions',
    may: 'client.read',
    answer: ClientFull,
  },
  'PUT /clients/:id': {
    does: 'Changes a client’s card',
    may: 'client.write',
    body: ClientWrite.extend(version),
    answer: ClientView,
  },
  'DELETE /clients/:id': {
    does: 'Deletes a client with whom nothing is kept',
    may: 'client.write',
    answer: Ok,
  },
  'GET /clients/:id/card.vcf': {
    does: 'The card as vCard 4.0',
    may: 'client.contact',
    media: 'text/vcard',
  },
  'GET /clients/:id/data.zip': {
    does: 'Everything stored about one client: JSON, CSV, PDF',
    may: 'client.data',
    media: 'application/zip',
  },
  'GET /export/clients.csv': {
    does: 'Every client: a row for each session, every measure a column',
    may: 'client.data',
    media: 'text/csv',
  },
  'GET /export/clients.json': {
    does: 'Every client with every reading as it was read',
    may: 'client.data',
    media: 'application/json',
  },
  'POST /clients/:id/erase': {
    does: 'Erases what is kept of one client, and says what must stay',
    may: 'client.data',
    body: z.strictObject({
      ...version,
      reason: z.string().trim().min(1, 'Enter who asked for it.').max(500),
    }),
    answer: z.strictObject({ erased: z.unknown(), stays: z.array(z.string()).readonly() }),
  },
  'GET /clients/:id/earlier': {
    does: 'The client’s last sessions with their readings',
    may: 'session.read',
    query: z.object({ except: z.uuid().optional() }),
    answer: z.array(Earlier).readonly(),
  },
  'GET /orders': {
    does: 'Orders by the day they are due',
    may: 'order.read',
    query: OrdersQuery,
    answer: z.array(OrderRow).readonly(),
  },
  'POST /orders': {
    does: 'Adds an order',
    may: 'order.write',
    body: OrderWrite,
    status: 201,
    answer: OrderFull,
  },
  'GET /orders/:id': { does: 'An order', may: 'order.read', answer: OrderFull },
  'PUT /orders/:id': {
    does: 'Changes an order’s head',
    may: 'order.write',
    body: OrderWrite.extend(version),
    answer: OrderFull,
  },
  'POST /orders/:id/cancel': {
    does: 'Cancels an order with a reason, and what is booked ahead for it if asked',
    may: 'order.write',
    body: OrderCancel,
    answer: Kept,
  },
  'POST /orders/:id/reopen': {
    does: 'Takes a cancelled order up again, as far as it had come',
    may: 'order.write',
    body: z.strictObject(version),
    answer: Kept,
  },
  'POST /orders/:id/garments': {
    does: 'Adds a further garment to an order: its own brief, sheet and cut, one measuring',
    may: 'order.write',
    body: FurtherGarment,
    status: 201,
    answer: OrderFull,
  },
  'PUT /orders/:id/brief': {
    does: 'Writes the brief',
    may: 'sheet.write',
    body: BriefChange,
    answer: OrderFull,
  },
  'GET /manual.pdf': {
    does: 'The help pages as a manual',
    may: 'signed-in',
    media: 'application/pdf',
  },
  'GET /guide.pdf': {
    does: 'How the house measures, to print: the whole guide, or the client’s page',
    may: 'signed-in',
    query: z.object({ for: z.enum(['house', 'client']).default('house') }),
    media: 'application/pdf',
  },
  'GET /orders/:id/measuring-list.pdf': {
    does: 'What is measured for an order, with boxes for a pencil',
    may: 'order.read',
    media: 'application/pdf',
  },
  'GET /sessions/:uuid/card.pdf': {
    does: 'The measure card: each figure whole, half and quarter, in both units',
    may: 'session.read',
    media: 'application/pdf',
  },
  'POST /imports': {
    does: 'Reads a CSV file of an old book: the file is the body; nothing of it is taken yet',
    may: 'client.data',
    query: z.object({ name: z.string().max(200).default('') }),
    status: 201,
    answer: ImportView,
  },
  'GET /imports/:id': {
    does: 'A file of an old book, and how far it has come',
    may: 'client.data',
    query: ImportLook,
    answer: ImportView,
  },
  'PUT /imports/:id': {
    does: 'Says how its columns are read',
    may: 'client.data',
    body: MappingWire.extend({ encoding: z.enum(ENCODINGS) }),
    answer: ImportView,
  },
  'POST /imports/:id/take': {
    does: 'Takes it into the book, whole or not at all',
    may: 'client.data',
    answer: Made,
  },
  'GET /tape': {
    does: 'Whose tape reads how well: all hands, or one’s own',
    may: 'staff.read',
    answer: WhoseTape,
  },
  'POST /tape/pairs': {
    does: 'Keeps what two hands read on one body for practice',
    may: 'staff.read',
    body: PairsWrite,
    status: 201,
    answer: Ok,
  },
  'GET /clients/:id/history': {
    does: 'Each measure of a client over time',
    may: 'session.read',
    answer: HistoryView,
  },
  'GET /sessions/:uuid': {
    does: 'A measuring session with its readings',
    may: 'session.read',
    answer: SessionFull,
  },
  'POST /orders/:id/measuring': {
    does: 'Uses an earlier measuring of the client whole for an order, marked as carried over',
    may: 'session.write',
    body: UseMeasuring,
    status: 201,
    answer: z.strictObject({ sessionId: z.string(), readings: z.number() }),
  },
  'GET /measuring-lists': {
    does: 'The house’s standing lists of what is measured',
    may: 'order.read',
    answer: z.array(MeasuringList).readonly(),
  },
  'POST /measuring-lists': {
    does: 'Adds a standing list',
    may: 'house.write',
    body: MeasuringListWrite,
    status: 201,
    answer: MeasuringList,
  },
  'PUT /measuring-lists/:id': {
    does: 'Changes a standing list',
    may: 'house.write',
    body: MeasuringListChange,
    answer: MeasuringList,
  },
  'DELETE /measuring-lists/:id': { does: 'Takes a standing list away', may: 'house.write', answer: Ok },
  'GET /measuring-lists/:id/list.pdf': {
    does: 'A standing list with boxes for a pencil',
    may: 'order.read',
    media: 'application/pdf',
  },
  'GET /clients/:id/measuring-lists': {
    does: 'A client’s own standing lists',
    may: 'session.read',
    answer: z.array(MeasuringList).readonly(),
  },
  'POST /clients/:id/measuring-lists': {
    does: 'Adds a standing list of a client’s own',
    may: 'session.write',
    body: MeasuringListWrite,
    status: 201,
    answer: MeasuringList,
  },
  'PUT /client-lists/:id': {
    does: 'Changes a client’s own standing list',
    may: 'session.write',
    body: MeasuringListChange,
    answer: MeasuringList,
  },
  'DELETE /client-lists/:id': {
    does: 'Takes a client’s own standing list away',
    may: 'session.write',
    answer: Ok,
  },
  'GET /client-lists/:id/list.pdf': {
    does: 'A client’s own standing list with boxes for a pencil',
    may: 'session.read',
    media: 'application/pdf',
  },
  'POST /readings': {
    does: 'Keeps a session and its readings; each reading is answered for by itself',
    may: 'session.write',
    body: Readings,
    answer: ReadingsAnswer,
  },
  'GET /charts': {
    does: 'The size charts of the house',
    may: 'sheet.read',
    answer: z.array(KeptChart).readonly(),
  },
  'POST /charts': {
    does: 'Adds a size chart',
    may: 'sheet.write',
    body: ChartFile,
    status: 201,
    answer: KeptChart,
  },
  'POST /charts/read': {
    does: 'Reads the text of a table as a size chart; keeps nothing',
    may: 'sheet.write',
    body: ChartText,
    answer: ChartRead,
  },
  'PUT /charts/:id': {
    does: 'Changes a size chart',
    may: 'sheet.write',
    body: ChartChange,
    answer: KeptChart,
  },
  'DELETE /charts/:id': { does: 'Takes a size chart away', may: 'sheet.write', answer: Ok },
  'GET /charts/:id/chart.csv': {
    does: 'A size chart as CSV',
    may: 'sheet.read',
    media: 'text/csv',
  },
  'GET /orders/:id/size': {
    does: 'The sizes of a chart held against the body and the brief of an order, the least work first',
    may: 'session.read',
    query: z.object({ chart: z.coerce.number().int().min(0).default(0) }),
    answer: SizesView,
  },
  'GET /orders/:id/finished.csv': {
    does: 'The garment of an order run over a table of bodies: its finished measurements by size, as CSV',
    may: 'session.read',
    query: z.object({ chart: z.coerce.number().int().min(0).default(0) }),
    media: 'text/csv',
  },
  'PUT /orders/:id/size': {
    does: 'Chooses the size of a pattern for an order; an empty size chooses none',
    may: 'sheet.write',
    body: SizeChoice,
    answer: Ok,
  },
  'GET /orders/:id/flat': {
    does: 'What was laid flat, beside the body and the sheet',
    may: 'sheet.read',
    answer: z.array(FlatView).readonly(),
  },
  'POST /orders/:id/flat': {
    does: 'Lays a garment, pattern or toile beside an order',
    may: 'alter.work',
    body: FlatLay,
    status: 201,
    answer: Made,
  },
  'PUT /flat/:id': {
    does: 'Sets what lengths may differ by on one piece',
    may: 'alter.work',
    body: FlatTolerance,
    answer: z.array(FlatView).readonly(),
  },
  'PUT /flat/:id/changes': {
    does: 'Accepts a change of a piece, or takes it back',
    may: 'alter.work',
    body: FlatAccept,
    answer: z.array(FlatView).readonly(),
  },
  'GET /orders/:id/neck-template.pdf': {
    does: 'The neck template, to scale: half the neck width',
    may: 'sheet.read',
    media: 'application/pdf',
  },
  'POST /flat/:id/readings': {
    does: 'Keeps what was read off it; the newest reading of a point counts',
    may: 'alter.work',
    body: FlatReadings,
    answer: z.array(FlatView).readonly(),
  },
  'GET /orders/:id/sheet': { does: sheet, may: 'sheet.read', query: sheetQuery, answer: SheetView },
  'GET /orders/:id/sheet.json': { does: `${sheet} as a file`, may: 'sheet.read', query: sheetQuery },
  'GET /orders/:id/sheet.csv': {
    does: `${sheet} as CSV`,
    may: 'sheet.read',
    query: sheetQuery,
    media: 'text/csv',
  },
  'GET /orders/:id/sheet.pdf': {
    does: `${sheet} on paper`,
    may: 'sheet.read',
    query: sheetQuery,
    media: 'application/pdf',
  },
  'GET /orders/:id/bench-cards.pdf': {
    does: 'A card for each bundle of pieces, with a code that opens the order',
    may: 'sheet.read',
    query: sheetQuery,
    media: 'application/pdf',
  },
  'GET /orders/:id/toile.pdf': {
    does: 'The cut list of a toile of the garment',
    may: 'sheet.read',
    query: sheetQuery,
    media: 'application/pdf',
  },
  'GET /orders/:id/pattern': {
    does: 'The pattern of the garment: each piece at full size, its seams, how many sheets of paper',
    may: 'sheet.read',
    query: PatternQuery,
    answer: PatternView,
  },
  'GET /orders/:id/pattern.svg': {
    does: 'The pattern as a drawing, one unit a millimetre',
    may: 'sheet.read',
    query: PatternQuery,
    media: 'image/svg+xml',
  },
  'GET /orders/:id/pattern.dxf': {
    does: 'The pattern as a drawing file of release 12, millimetres, a block a piece',
    may: 'sheet.read',
    query: PatternQuery,
    media: 'image/vnd.dxf',
  },
  'GET /orders/:id/pattern.pdf': {
    does: 'The pattern on sheets to be glued together, or on a roll',
    may: 'sheet.read',
    query: PatternQuery,
    media: 'application/pdf',
  },
  'GET /orders/:id/chalk-card.pdf': {
    does: 'Each piece by points with two distances, to be drawn straight on the cloth',
    may: 'sheet.read',
    query: sheetQuery,
    media: 'application/pdf',
  },
  'GET /orders/:id/cloth': {
    does: 'The pieces of the garment cloth by cloth, and how they lie on it',
    may: 'sheet.read',
    answer: ClothView,
  },
  'POST /orders/:id/cloth': {
    does: 'Keeps a lay of one cloth; it must be one that can be cut',
    may: 'sheet.write',
    body: LayKeep,
    status: 201,
    answer: Made,
  },
  'GET /orders/:id/cloth.pdf': {
    does: 'A kept lay on one page: the drawing, and each piece’s distance from the cut end and the selvedge',
    may: 'sheet.read',
    query: ClothQuery,
    media: 'application/pdf',
  },
  'POST /orders/:id/sheet/changes': {
    does: 'Makes one change',
    may: 'sheet.write',
    body: SheetChange,
    answer: SheetView,
  },
  'POST /orders/:id/sheet/agree': {
    does: 'Agrees the sheet by name',
    may: 'sheet.write',
    body: Agree,
    answer: SheetView,
  },
  'POST /orders/:id/sheet/cut': {
    does: 'Says that the cloth is cut',
    may: 'sheet.write',
    body: MarkCut,
    answer: SheetView,
  },
  'POST /orders/:id/import': {
    does: 'Lays a spec or sheet file into the order',
    may: 'sheet.write',
    body: SpecOrSheetFile,
    answer: SheetView,
  },
} as const satisfies Record<string, Route>;

export type RouteKey = keyof typeof ROUTES;
type Of<K extends RouteKey, P extends 'body' | 'query'> = (typeof ROUTES)[K] extends { [X in P]: z.ZodType }
  ? z.infer<(typeof ROUTES)[K][P]>
  : undefined;
/** What a route answers as JSON; never where it answers a file. */
export type AnswerOf<K extends RouteKey> = (typeof ROUTES)[K] extends { answer: infer A extends z.ZodType }
  ? z.infer<A>
  : never;
export type BodyOf<K extends RouteKey> = Of<K, 'body'>;
export type QueryOf<K extends RouteKey> = Of<K, 'query'>;
