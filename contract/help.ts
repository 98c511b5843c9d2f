import { KEYS, type KeyWord } from './keys.ts';

/** What a place of the program is for and how one goes about it: read on screen, and printed as the manual. */
export interface HelpPage {
  readonly id: string;
  readonly title: string;
  /** addresses of the place; `:id` is any one part */
  readonly at: readonly string[];
  /** what it is for */
  readonly purpose: string;
  /** how it goes, a step each */
  readonly steps: readonly string[];
  /** its picture, with sample data: a file of this repository */
  readonly picture: string;
}

/** In the order in which an apprentice meets them. */
export const HELP: readonly HelpPage[] = [
  {
    id: 'today',
    title: 'Today',
    at: ['/today'],
    purpose: 'What this day asks for: appointments, what each needs to be ready, and what is late.',
    steps: [
      'Read “At risk” first: these orders are overdue or too close to their date. They stay until they are handed over or cancelled.',
      'Mark a client as arrived when they come in; press the appointment for its notes and its order.',
      'What must be ready for tomorrow stands below, with whose bench it is on.',
    ],
    picture: 'docs/screenshots/today.png',
  },
  {
    id: 'orders',
    title: 'Orders',
    at: ['/', '/orders', '/orders/new'],
    purpose: 'Everything the studio is making or altering, and how far each order has come.',
    steps: [
      'The thread beside an order shows its stage: each knot that is filled is done.',
      'Choose a view to see your own orders, those at risk or one stage only. What is handed over or cancelled stands in “All” and nowhere else.',
      'New order: choose the client, say what is made and when it is worn. The brief comes next.',
    ],
    picture: 'docs/screenshots/orders.png',
  },
  {
    id: 'order',
    title: 'One order',
    at: ['/orders/:id'],
    purpose: 'An order from the first talk to the hand-over, with everything that belongs to it.',
    steps: [
      'Press a knot of the thread to go to the brief, the measurements, the sheet or the fittings.',
      'Ideas, photographs, open decisions, deposits and appointments are kept here.',
      'An order can be cancelled with a reason and reopened later. Its sheets and figures stay.',
    ],
    picture: 'web/help/order.png',
  },
  {
    id: 'brief',
    title: 'Brief',
    at: ['/orders/:id/brief'],
    purpose:
      'What you are going to make: parts, lengths, ease, cloth and closing. The brief decides what is measured.',
    steps: [
      'Choose the parts of the garment, from the top down. The drawing follows.',
      'Answer what each part asks. An empty field takes the studio’s rule, and the sheet says which.',
      'Lengths may be written in centimetres or inches, as “6 1/2 in” or “16.5 cm”. They are kept as you wrote them.',
      'A length may count from the waist, the side-neck, the nape or the floor in the shoes of the day.',
      'Adapt the block by steps: each can be changed, moved or removed, and says its limits.',
      'Allowances and ease of this order alone lie above the studio’s rules; further cloths are for the parts and panels you choose.',
      'Say what is worn beneath and which shoes: ease and hem depend on both.',
    ],
    picture: 'docs/screenshots/brief.png',
  },
  {
    id: 'measuring',
    title: 'Taking measurements',
    at: ['/orders/:id/measure', '/clients/:id/measure', '/tape-device'],
    purpose: 'The tape, one measurement after the other, in the order that troubles the client least.',
    steps: [
      'Type the figure and press Enter. The next measurement comes by itself.',
      'From a client’s card you measure without an order, by a list of the studio; an order uses that measuring whole later.',
      'A figure that doesn’t fit the others is asked about at once, while the client still stands there.',
      'Measurements with a star are taken twice; when the two differ too much, a third decides.',
      'A client may decline any measurement. Skip what you come back to later.',
      'Without a connection everything is saved on this device and sent when it is back.',
      'Ask before you touch, use a firm not a tight tape, and never measure a child without the guardian.',
    ],
    picture: 'docs/screenshots/measure.png',
  },
  {
    id: 'sheet',
    title: 'Specification sheet',
    at: ['/orders/:id/sheet'],
    purpose: 'The figures that are cut: the body, ease and seams worked out, with the reason of each.',
    steps: [
      'Go through the figures with the arrow keys. “Why” beside them shows how each was worked out.',
      'Set a figure by hand where you know better; the reason is asked, and what hangs on it follows.',
      'Checks: a warning is accepted by name or put right. What blocks has to be put right.',
      'Agree the sheet, then mark it as cut. From then on it stays as it was; changes become jobs at the bench.',
      'Cut a toile first where the sheet asks for one.',
    ],
    picture: 'docs/screenshots/sheet.png',
  },
  {
    id: 'fitting',
    title: 'At a fitting',
    at: ['/orders/:id/fitting', '/brought-in'],
    purpose: 'What you see and pin at the mirror becomes a change on every piece it touches.',
    steps: [
      'Mark on the drawing where you see it, or choose a sign. What usually helps is offered first.',
      'Type the amount as pinned. The screen says what that makes at each edge and all round.',
      'Read the changes back to the client; they agree to each by name, with its price.',
      'Count the pins in and out. No garment leaves with a pin in it.',
      'A fastening at the neck or a boned waist must let the client breathe, sit and eat.',
    ],
    picture: 'docs/screenshots/fitting.png',
  },
  {
    id: 'job',
    title: 'A job at the bench',
    at: ['/orders/:id/alterations/:id'],
    purpose: 'One change: which pieces, how much on each, and when it is needed.',
    steps: [
      'Start the job; the minutes run until you pause or mark it done.',
      'Tick each piece. A piece that isn’t needed is crossed out with a reason.',
      'Someone else measures again and checks it. Outside the tolerance it goes back, or is accepted by name.',
      'What you did with one key can be undone for ten seconds, and later in its history as long as nothing came after.',
    ],
    picture: 'docs/screenshots/job.png',
  },
  {
    id: 'bench',
    title: 'Bench',
    at: ['/bench'],
    purpose: 'All jobs, whose they are and on which day they are done.',
    steps: [
      'Choose “Mine” for your own work, or “Everyone”.',
      'Lay a job on a day of a person by its grip, or with Space and the arrow keys.',
      'A day that is too full says so before you let go. “Suggest a week” lays out what is open.',
    ],
    picture: 'docs/screenshots/bench.png',
  },
  {
    id: 'diary',
    title: 'Diary',
    at: ['/diary', '/diary/weeks'],
    purpose: 'Who is where and when: people, rooms, appointments and promised bench work.',
    steps: [
      'Press an appointment to see what it needs; move it with the arrow keys or by dragging.',
      'Two people or two clients are never booked into one place at one time.',
      'Weeks ahead show how full each person’s days are.',
    ],
    picture: 'docs/screenshots/diary.png',
  },
  {
    id: 'booking',
    title: 'Booking an appointment',
    at: ['/diary/book'],
    purpose: 'Finding a time that suits the client, the fitter, the room and the garment.',
    steps: [
      'Choose the type and the client, then say which days and hours suit.',
      'Every time offered has its reasons. Book one, or offer up to five and hold them for a day.',
      'The client is told, and can answer on their own page.',
    ],
    picture: 'web/help/book.png',
  },
  {
    id: 'messages',
    title: 'Messages',
    at: ['/messages'],
    purpose: 'What clients were told and will be told: confirmations, reminders, moves.',
    steps: [
      '“Recorded only” means nothing was sent: no mail server is set up, or the client has a phone and no e-mail.',
      '“Failed” means the mail server refused the address. Put it right on the client’s card, then send again.',
      'The texts are the studio’s own, in Studio settings.',
    ],
    picture: 'web/help/messages.png',
  },
  {
    id: 'clients',
    title: 'Clients',
    at: ['/clients', '/clients/new', '/clients/:id', '/clients/:id/measures'],
    purpose: 'One card a client: how to reach them, their orders, and how they were measured.',
    steps: [
      'Look for the client before you add one: names that sound alike are offered.',
      'Measurements over time show what changed since the last garment.',
      'A card with nothing on it can be deleted. The owner can give a client their data, or erase it.',
    ],
    picture: 'docs/screenshots/client.png',
  },
  {
    id: 'pattern',
    title: 'Pattern size',
    at: ['/orders/:id/pattern'],
    purpose: 'Which size of a bought or kept pattern, and what to change on it before it is cut.',
    steps: [
      'Add a size chart: type its sizes, or fill them from a CSV file. Say whether its figures are bodies or finished garments.',
      'The sizes stand in the order of the work they would make: shoulder, neck and armhole first, then the cup, then waist and hip.',
      'Choose a size: its card says what to add or take, where and at each edge. Print it and pin it to the pattern.',
    ],
    picture: 'docs/screenshots/pattern.png',
  },
  {
    id: 'paper-pattern',
    title: 'Paper pattern',
    at: ['/orders/:id/paper-pattern'],
    purpose: 'The garment’s pieces at full size, to look at, to print and to cut from.',
    steps: [
      'Choose a piece, or all. The wheel, two fingers or + and − bring it nearer; the arrows move it, 0 shows all again.',
      'Measure: choose two places, by a press or with the arrows and Enter. Corners and notches catch the mark.',
      'Walk a seam: both sides lie along each other with their notches, and the difference is told.',
      'Choose the paper and print. Measure the squares on the cover before you cut; put crosses with the same letter on each other.',
    ],
    picture: 'docs/screenshots/paper-pattern.png',
  },
  {
    id: 'cloth',
    title: 'Cloth',
    at: ['/orders/:id/cloth'],
    purpose: 'Whether the pieces lie on the cloth that is there, how much to buy, and where to cut.',
    steps: [
      'Say what cloth there is: its width, its length if you have it, nap, repeat, flaws. Choose how it lies, then lay the pieces.',
      'Move a piece with the mouse or a finger: it slides along its neighbours. Where it may not lie it is hatched, and goes back.',
      'With the keys: N and B choose a piece, the arrows move it, F turns it about, M mirrors it, Home drops it to the cut end, P pins it, U undoes.',
      'Look for other ways: each is laid before it is offered. Keep the lay: the sheet buys by it, and it prints on one page.',
    ],
    picture: 'docs/screenshots/cloth.png',
  },
  {
    id: 'plan',
    title: 'Plan',
    at: ['/orders/:id/plan'],
    purpose: 'Whether an order can be ready by its day, when each step must begin, and what would help.',
    steps: [
      'Read the answer first. It is worked out back from the day it is worn and forwards from now, over everybody’s free hours.',
      'The thread hangs slack where there is time to spare; where it is straight and heavy there is none. The numbers are those of the list.',
      'Say how it is made: toile, fittings, one visit only, when the cloth comes. Change, strike or add a step, with a reason.',
      'Choose steps and take them up: the work goes to the bench and the appointments into the diary, all or none. Looking books nothing.',
      'Tick work off with the minutes it took: from eight of a kind on, the plan says how sure it is.',
    ],
    picture: 'docs/screenshots/plan.png',
  },
  {
    id: 'estimate',
    title: 'Estimate',
    at: ['/orders/:id/estimate'],
    purpose:
      'What an order would cost: its hours at the studio’s rates, its cloth and notions, and what is not in it.',
    steps: [
      'Hours come from the order’s plan, cloth and notions from its sheet. Open a line to see what it is made of.',
      'Edit prices: cloth by the metre or yard, or brought by the client; notions; lines of your own such as beads or a journey.',
      'Rates, the studio’s share, the deposit and rounding are set once, on Bench times and prices.',
      'Keep the estimate: it stays word for word and prints for the client. Note who agreed; its price then counts under Money.',
      'When sheet, plan or rates move afterwards, the page says what moved. Nothing is paid through this program.',
    ],
    picture: 'docs/screenshots/estimate.png',
  },
  {
    id: 'promises',
    title: 'Promises',
    at: ['/promises'],
    purpose: 'All orders in work planned together: which promises hold, and what breaks if something moves.',
    steps: [
      'The order to be handed over first has the first choice of hands and times; the others take what is left.',
      'Suppose that an order is taken in, somebody is away, cloth comes late, an appointment moves or work comes back, and look what breaks. Nothing is changed by looking.',
      'Look for the least change: to serve a late order before the others, to give a piece of another order’s work for another day, or to move another client’s appointment.',
      'Threads go from hand to hand; where two pass one hand on one day they are bound: what holds one up holds up the other.',
      'Below stand each person’s hours week by week: what is left, and what these plans take that is not yet given.',
    ],
    picture: 'web/help/promises.png',
  },
  {
    id: 'what-if',
    title: 'Try changes',
    at: ['/orders/:id/what-if'],
    purpose:
      'What a sheet would become with another reading, ease, fit, cloth or rounding, before anything is kept.',
    steps: [
      'Add something to try and type its figure: the figures, panels, pieces and notions that would move follow at once.',
      'Panels stand over each other, as drafted now thin, as tried strong. The ease around the body shows both.',
      'The address holds what you try: send it to whoever should see it. Fit, cloth and ease are written into the brief with one press; a reading is taken at the tape.',
    ],
    picture: 'docs/screenshots/what-if.png',
  },
  {
    id: 'flat',
    title: 'A garment on the table',
    at: ['/orders/:id/flat'],
    purpose: 'Measuring a garment that lies flat, beside what this order wants.',
    steps: [
      'Say what lies there and how it was cut, then measure from point to point.',
      'Halves are doubled for you; the why says which.',
    ],
    picture: 'web/help/flat.png',
  },
  {
    id: 'guide',
    title: 'How we measure',
    at: ['/how-we-measure', '/whose-tape'],
    purpose: 'Where the tape lies for every measurement, and how close two people come.',
    steps: [
      'Choose a measurement to see it on the figure, what to find first and the common mistake.',
      'Print it for the wall. “Measuring accuracy” compares pairs of readings of your own staff.',
    ],
    picture: 'web/help/guide.png',
  },
  {
    id: 'old-book',
    title: 'Importing clients',
    at: ['/old-book'],
    purpose: 'Bringing in clients and measurements from a table or an old book.',
    steps: [
      'Choose a CSV file, say what each column is, and look before anything is saved.',
      'Rows that can’t be read are left out and listed with the reason.',
      'A client who is there already is shown beside the row; you say whether it is the same person.',
    ],
    picture: 'web/help/old-book.png',
  },
  {
    id: 'house',
    title: 'Studio settings',
    at: ['/house', '/set-up', '/house/security'],
    purpose: 'What the whole studio goes by: unit, paper, staff, hours, rooms, texts and mail.',
    steps: [
      'Unit, paper, dates and currency are set once and start every brief, tape, sheet and print.',
      'Add each person with their role; give them their link. It works once.',
      'Letters to clients are sent once a mail server is set up, and recorded until then.',
    ],
    picture: 'docs/screenshots/house.png',
  },
  {
    id: 'rules',
    title: 'Studio rules',
    at: ['/house/rules', '/house/bench'],
    purpose: 'The figures the sheets are drafted by: ease, allowances, darts, rounding, lead times.',
    steps: [
      'An empty field takes the usual figure that stands in it.',
      'Before you save, the page says which open orders would move. Agreed sheets stay as they are.',
      'Bench times and prices are what a job is planned and offered with.',
    ],
    picture: 'docs/screenshots/rules.png',
  },
  {
    id: 'account',
    title: 'Your account',
    at: ['/account'],
    purpose: 'Your passphrase, your second factor and where you are signed in.',
    steps: [
      'Sign out of a device you no longer have.',
      'On a shared device lock the screen when you leave it: the card at the top right.',
    ],
    picture: 'web/help/account.png',
  },
];

const parts = (path: string) => path.split('/').filter(Boolean);
const fits = (pattern: string, path: string): boolean => {
  const [a, b] = [parts(pattern), parts(path)];
  return a.length === b.length && a.every((x, i) => x === b[i] || (x === ':id' && /^\d+$/.test(b[i]!)));
};

/** The page of an address; that of the orders where there is none of its own. */
export const helpFor = (path: string): HelpPage =>
  HELP.find((h) => h.at.some((a) => fits(a, path))) ?? HELP.find((h) => h.id === 'orders')!;

/** The keys of a place: its own first, then those that work everywhere. */
export const keysOf = (id: string): readonly KeyWord[] => [
  ...KEYS.filter((k) => k.at === id),
  ...KEYS.filter((k) => k.at === undefined),
];

/** The pages in which every word that is looked for stands, those that have it in their title first. */
export function findHelp(typed: string): readonly HelpPage[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const has = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const within = HELP.filter((h) =>
    has(
      [
        h.title,
        h.purpose,
        ...h.steps,
        ...keysOf(h.id)
          .filter((k) => k.at)
          .map((k) => k.does),
      ].join(' '),
    ),
  );
  return [...within.filter((h) => has(h.title)), ...within.filter((h) => !has(h.title))];
}
