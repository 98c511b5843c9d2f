export const ROLES = ['principal', 'fitter', 'seamstress', 'desk'] as const;
/** What a role is called on screen and in errors. */
export const ROLE_WORD: Readonly<Record<(typeof ROLES)[number], string>> = {
  principal: 'owner',
  fitter: 'fitter',
  seamstress: 'seamstress',
  desk: 'front desk',
};
export type Role = (typeof ROLES)[number];

/** What can be done in the studio. Every route names the one it needs. */
export type Action =
  | 'client.read'
  | 'client.contact'
  | 'client.write'
  | 'client.data'
  | 'order.read'
  | 'order.write'
  | 'session.read'
  | 'session.write'
  | 'sheet.read'
  | 'sheet.write'
  | 'diary.read'
  | 'diary.ready'
  | 'diary.write'
  | 'bench.write'
  | 'alter.read'
  | 'alter.ask'
  | 'alter.work'
  | 'alter.accept'
  | 'money.read'
  | 'staff.read'
  | 'staff.manage'
  | 'house.write';

const BENCH: readonly Action[] = [
  'client.read',
  'order.read',
  'sheet.read',
  'staff.read',
  'diary.read',
  'diary.ready',
  'alter.read',
  'alter.work',
];
const DESK: readonly Action[] = [
  ...BENCH,
  'client.contact',
  'client.write',
  'order.write',
  'diary.write',
  'alter.ask',
  'money.read',
];
const FITTER: readonly Action[] = [
  ...DESK,
  'session.read',
  'session.write',
  'sheet.write',
  'bench.write',
  'alter.accept',
];
const ALLOWED: Record<Role, ReadonlySet<Action>> = {
  principal: new Set<Action>([...FITTER, 'staff.manage', 'house.write', 'client.data']),
  fitter: new Set(FITTER),
  desk: new Set(DESK),
  seamstress: new Set(BENCH),
};

/** Whether this role may do this. The server asks on every route; the screen asks before it offers. */
export const may = (role: Role, action: Action): boolean => ALLOWED[role].has(action);
