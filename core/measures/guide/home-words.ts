/** What the page for measuring at home says, in the studio's English; each may be written in a client's language. */
export const HOME_WORDS = {
  title: 'Measuring at home',
  intro: '{client}, these are {count} measures for your garment. They take about {minutes} minutes.',
  need: 'You need a soft tape, a mirror, and someone to hold the tape.',
  beneathHow:
    'Wear thin underwear, as you will under the garment. Take your shoes off, unless a measure asks for them.',
  cord: 'Tie a ribbon or cord at your waist, where you fold when you bend to the side. Many measurements start there.',
  stand: 'Stand as you always do. The tape should touch, not press.',
  leave: 'Leave out anything you would rather not measure.',
  open: 'Open until {until}. What you type stays in this window until you send it.',
  tape: 'Your tape shows',
  cm: 'centimetres',
  in: 'inches',
  helper: 'Who holds the tape (optional)',
  beneath: 'What you wear underneath (optional)',
  guardian: 'Which adult is with you',
  start: 'Start',
  at: '{step} of {count}',
  field: '{measure} in {unit}',
  finger: 'A finger was under the tape',
  checked: 'I’ve checked; it’s right',
  unread: 'Please write a number, such as 72 or 72.5.',
  unlikely: 'That is unusual for this measure. Please measure once more.',
  next: 'Next',
  skip: 'Leave out',
  back: 'Back',
  look: 'Check before sending',
  check: 'Check',
  edit: 'Edit',
  ask: '{measures}: please check before you send.',
  changed: 'Has anything changed since you were last measured? (optional)',
  send: 'Send to the studio',
  once: 'You can send once. The studio measures again with you before anything is cut.',
  yours: '{client}, your measurements',
  sent: 'Sent on {sent}. Thank you. The studio will check them and measure again with you before anything is cut.',
  away: 'Can’t reach the studio. What you wrote is still here. Try again in a moment.',
  sentAlready: 'Your measurements were sent on {sent}. To change one, please call the studio.',
  measuredSince: 'The studio has measured you since this link was made. You don’t need to do anything.',
  noGuardian: 'Please enter which adult is with you.',
  sentTwice: 'One of these was already sent. Reload the page and send again.',
  notNeeded: '{measure} is not needed here.',
  loading: 'Loading …',
  front: 'seen from the front',
  side: 'seen from the side',
  behind: 'seen from behind',
  seated: 'seated, seen from the side',
} as const;
export type HomeWord = keyof typeof HOME_WORDS;

/** What such a text can name, each as `{field}`. */
export const HOME_FIELDS = {
  client: 'the client’s name',
  count: 'how many measures there are',
  minutes: 'how long they take',
  until: 'the day until which the page is open',
  sent: 'the day on which it was sent',
  step: 'which measure it is, counted',
  measure: 'the measure’s name',
  measures: 'the names of the measures',
  unit: 'centimetres or inches',
} as const;

/**
 * What a client can take at home with somebody's help, in words for somebody who has never held a tape: its name and
 * how it is taken, said to the one who is measured. Common practice, no source. Nothing here fits one sex only.
 */
// biome-ignore format: rows
export const HOME_MEASURES: Readonly<Record<string, readonly [name: string, how: string]>> = {
  'high-bust': ['Above the bust or chest', 'Round your back and front, high under both arms, above the fullest part. Keep the tape level across your back. Breathe out first.'],
  bust: ['Bust or chest', 'Round the fullest part. Look in the mirror: the tape runs level, also across your back. Breathe normally.'],
  underbust: ['Under the bust', 'Round your ribs, right beneath the bust. Keep the tape level and breathe out first. You must be able to breathe under it.'],
  waist: ['Waist', 'Round your waist, where the ribbon or cord lies. Breathe out, and do not pull the tape in.'],
  tummy: ['Tummy', 'Turn sideways to the mirror. Measure round the fullest place between waist and hip, the tape level.'],
  'waist-to-tummy': ['Waist to tummy', 'At your side, from the cord straight down to the level where you just measured your tummy.'],
  hip: ['Hip', 'Feet together, sideways to the mirror. Measure round the fullest part of your seat; slide the tape down until the figure stops growing. Empty your pockets.'],
  'waist-to-hip': ['Waist to hip', 'At your side, from the cord down to the level where you just measured your hip.'],
  thigh: ['Thigh', 'Stand on both feet. Round the fullest part of one leg, near the top, the tape level.'],
  knee: ['Knee', 'Round the middle of your kneecap.'],
  calf: ['Calf', 'Standing, round the fullest part of your lower leg.'],
  ankle: ['Ankle', 'Round your ankle, over the bones that stand out.'],
  'heel-instep': ['Heel and instep', 'Point your foot. Measure round your heel and over the top of the foot: a narrow hem has to pass there.'],
  shoulder: ['Shoulder', 'From where your neck meets your shoulder out to the small dip that opens when you raise your arm.'],
  'across-shoulder': ['Across the shoulders', 'Someone measures behind you: from the tip of one shoulder, over the bone at the bottom of your neck, to the tip of the other.'],
  'across-front': ['Across the chest', 'Arms hanging. Straight across, from the crease of one arm to the crease of the other, half way between shoulder and armpit.'],
  'across-back': ['Across the back', 'Arms hanging. Someone measures behind you: straight across, from the crease of one arm to the crease of the other, half way between shoulder and armpit.'],
  'apex-span': ['Between the bust points', 'Straight across, from the point that stands farthest forward on one side to that on the other. The tape does not dip in between.'],
  'neck-to-bust': ['Neck to bust point', 'From where your neck meets your shoulder straight down to the point that stands farthest forward.'],
  'neck-to-waist-front': ['Neck to waist, front', 'From where your neck meets your shoulder, over the point that stands farthest forward, to the cord at your waist.'],
  'neck-to-waist-back': ['Neck to waist, back', 'Someone measures behind you: from where your neck meets your shoulder straight down to the cord.'],
  'nape-to-waist': ['Back length', 'Someone measures behind you: from the bone that stands out when you bend your head, down the middle of your back, to the cord. Then hold your head up.'],
  'neck-depth-front': ['Depth of the neckline', 'From where your neck meets your shoulder straight down to the height at which the neckline should lie in front.'],
  'underarm-to-waist': ['Armpit to waist', 'At your side. Hold a ruler level, high under your arm, and lower the arm. From 2.5 cm (1 in) below the ruler down to the cord.'],
  'upper-arm': ['Upper arm', 'Let your arm hang. Round the fullest part, near the top.'],
  elbow: ['Elbow', 'Put your hand on your hip. Round the bent elbow.'],
  wrist: ['Wrist', 'Round your wrist, at the bone that stands out.'],
  fist: ['Fist', 'Close your hand. Round the knuckles and the thumb: a cuff has to pass there.'],
  armhole: ['Round the armhole', 'Over the tip of your shoulder and under your arm. Raise the arm a little to lay the tape, then lower it.'],
  'arm-length': ['Arm length', 'Bend your arm a little. From the tip of your shoulder, over the elbow, to the bone at your wrist.'],
  'sleeve-length': ['Sleeve length', 'Bend your arm a little. From the tip of your shoulder, over the elbow, to where the sleeve should end.'],
  'shoulder-to-elbow': ['Shoulder to elbow', 'Bend your arm. From the tip of your shoulder, along the outside, to the point of the elbow.'],
  'arm-span': ['From sleeve to sleeve', 'Hold both arms out. Someone measures behind you, from where one sleeve should end, over the bone at the bottom of your neck, to where the other should.'],
  'waist-to-knee': ['Waist to knee', 'At your side, from the cord to the middle of your knee. Both feet flat.'],
  'waist-to-floor': ['Waist to floor', 'In the shoes you will wear. At your side, from the cord, over the hip, to the floor.'],
  inseam: ['Inside leg', 'Hold a book level between your legs, as high as is comfortable. From its upper edge straight down to the floor.'],
  outseam: ['Outside leg', 'At your side, from the cord, over the hip, down to your ankle.'],
  rise: ['Waist to seat', 'Sit upright on a hard chair. At your side, from the cord straight down to the seat of the chair.'],
  trunk: ['Round the body', 'From the middle of one shoulder down the front, between your legs, and up your back to where it began. You may guide the tape yourself. It lies close and does not pull.'],
  stature: ['Height', 'Without shoes, heels to the wall. Someone lays a book level on your head; from under the book to the floor.'],
  head: ['Head', 'Round your head above the ears, where it is widest.'],
  'hip-seated': ['Hip, seated', 'Sit upright. Round the fullest part of your seat and the top of your lap.'],
  'waist-to-knee-seated': ['Waist to knee, seated', 'Sit upright. From the cord in front, into the bend and over your lap, to the front of the knee.'],
  'knee-to-footrest': ['Knee to footrest', 'From the front of your knee straight down to the footrest, in your shoes.'],
  'hem-front': ['Length, front', 'In the shoes you will wear. From the cord, down the middle of the front, to where the hem should be. Look straight ahead.'],
  'hem-left': ['Length, left side', 'On your left: from the cord, over the hip, to where the hem should be. Stand on both feet.'],
  'hem-right': ['Length, right side', 'On your right: from the cord, over the hip, to where the hem should be. Stand on both feet.'],
  'hem-back': ['Length, back', 'Someone measures behind you: from the cord, over the seat, down the middle of the back, to where the hem should be.'],
};

export const HOME_WORD_IDS: readonly string[] = [
  ...Object.keys(HOME_WORDS),
  ...Object.keys(HOME_MEASURES).flatMap((id) => [`name ${id}`, `how ${id}`]),
];

/** The studio's English of a text of the page. @throws RangeError for an id there is none of */
export function homeWord(id: string): string {
  const [what, of = ''] = id.split(' ');
  const text = of
    ? HOME_MEASURES[of]?.[what === 'name' ? 0 : 1]
    : (HOME_WORDS as Readonly<Record<string, string>>)[id];
  if (text === undefined) throw new RangeError(`The page at home has no text ${id}`);
  return text;
}

/** A text of the page with its fields filled in; what a value holds is not read again. */
export const fillHome = (text: string, values: Readonly<Record<string, string>>): string =>
  text.replace(/\{([^{}]*)\}/g, (whole, field: string) => values[field] ?? whole);
