import type { Role } from '@rocchetto/contract';

/** The invented studio: nobody in it lives, and no such place of business exists. */
export const STUDIO = 'Lantern Street Workroom, Tidewell';

/** Demo sign-ins exist in the demo only: a start without it knows no passphrase at all. */
export const DEMO_PASSPHRASE = 'chalk thread brass pins';

export const STAFF: readonly { name: string; role: Role }[] = [
  { name: 'Odile Marchetti', role: 'principal' },
  { name: 'Bram Teller', role: 'fitter' },
  { name: 'Ines Kovar', role: 'fitter' },
  { name: 'Wren Halloran', role: 'seamstress' },
  { name: 'Tomas Lindqvist', role: 'seamstress' },
  { name: 'Pia Ostrander', role: 'seamstress' },
  { name: 'Jonah Fell', role: 'desk' },
];

interface Person {
  readonly name: string;
  readonly note?: string;
  readonly guardian?: string;
  readonly unit?: 'cm' | 'in';
}

/** Forty clients; the first ones carry the story, the rest fill the book. */
export const CLIENTS: readonly Person[] = [
  { name: 'Della Marsh', note: 'Back after a year away; likes a firm waistband.', unit: 'in' },
  { name: 'Søren Aakjær-Holm', note: 'Light-opera company, wardrobe. Worn over tights.' },
  { name: 'Beatrix Oyelaran', note: 'Guest soloist: can come to one fitting only.' },
  { name: 'Zoë Ferncliffe', note: 'Ballroom-dance school.' },
  { name: 'Mirela Castellane' },
  { name: 'Agnes Thornbury', note: 'Measured seated; prefers the late morning.' },
  { name: 'Lucan Prewitt', note: 'Light-opera company, dame role in the spring piece.' },
  { name: 'Imogen Sarrazin', unit: 'in' },
  { name: 'Kit Rosenvold', guardian: 'Hanne Rosenvold', note: 'Dance pupil.' },
  { name: 'Thea Bexley', unit: 'in' },
  { name: 'Noor Halabi' },
  { name: 'Cosima Drake' },
  { name: 'Freya Lockhart-Mills' },
  { name: 'Priya Venkatesan', unit: 'in' },
  { name: 'Orla Kinsella' },
  { name: 'Mathilde Verbruggen' },
  { name: 'Juno Abara' },
  { name: 'Rosalind Peake', note: 'Choir, alto.' },
  { name: 'Harriet Quill', note: 'Choir, soprano.' },
  { name: 'Edda Sörensdottir', note: 'Choir, soprano.' },
  { name: 'Winifred Amado', note: 'Choir, alto.' },
  { name: 'Callum Strand', note: 'Choir, tenor: gown only.' },
  { name: 'Sunniva Blyth', note: 'Choir, alto.' },
  { name: 'Petra Malinauskas' },
  { name: 'Yara Dellacourt' },
  { name: 'Elspeth Rook', unit: 'in' },
  { name: 'Anouk Tremaine' },
  { name: 'Saskia van Ommeren' },
  { name: 'Delphine Achterberg' },
  { name: 'Marguerite Hale', unit: 'in' },
  { name: 'Leocadia Finch' },
  { name: 'Ottoline Graves' },
  { name: 'Ximena Roldán' },
  { name: 'Bronagh Tully' },
  { name: 'Ludmila Carras' },
  { name: 'Vesna Hartwell' },
  { name: 'Gwendolen Ives', unit: 'in' },
  { name: 'Tamsin Oakhanger' },
  { name: 'Adaeze Whitlow' },
  { name: 'Clemency Barrow' },
];

export const STREETS = [
  'Lantern Street',
  'Ropewalk',
  'Chapel Steps',
  'Gull Lane',
  'Saltpan Road',
  'Tollgate',
] as const;
