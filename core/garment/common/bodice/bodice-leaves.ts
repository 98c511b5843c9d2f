import { HELD_AGAINST, isKnown, isRead, type Leaves, left, type ReadAt } from '../../leaves.ts';
import type { Plan } from './quarter-plan.ts';

/** What a bodice asks for and leaves unused, by the plan it is drafted by and by what else was read. */
export function bodiceLeaves(c: ReadAt, plan: Plan): Leaves {
  const known = (...ids: string[]) => ids.every((id) => isKnown(c, id));
  const widths = known('shoulder', 'neck-width') && known('across-back', 'across-front');
  const front = known('neck-to-waist-front');
  return {
    ...left(
      widths || (plan === 'heights' && known('shoulder', 'across-back', 'across-front')),
      ['across-shoulder'],
      'Shoulder, neck width and both widths across were read: it is held against them.',
    ),
    ...left(isRead(c, 'neck-to-waist-back'), ['nape-to-waist'], 'Side-neck to waist, back, was read.'),
    ...left(
      plan === 'quarter' && front,
      ['neck-to-waist-back', 'nape-to-waist'],
      'The quarter plan traces the back from the front: it is held against that.',
    ),
    ...left(
      isRead(c, 'neck-to-waist-front'),
      ['bust-to-waist'],
      'Side-neck to waist, front, was read over the bust.',
    ),
    ...left(
      plan !== 'quarter' && sideSets(c),
      ['armhole-depth'],
      'The side height was read, and sets the underarm.',
    ),
    ...left(
      plan !== 'quarter' && known('underarm-to-waist') && !sideSets(c),
      ['underarm-to-waist'],
      'With the back length read it leaves no armhole: the armhole depth is taken instead.',
    ),
    ...left(true, ['armhole', 'head'], HELD_AGAINST),
    ...left(
      plan === 'heights' || known('bust-front'),
      ['high-bust'],
      'The front arc says how front and back share the bust; the cup is held against the bust dart.',
    ),
    ...left(plan === 'heights', ['underbust', 'high-bust'], HELD_AGAINST),
  };
}

/** Whether the side height sets the underarm: beside a back length that leaves room for an arm. */
function sideSets(c: ReadAt): boolean {
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  const [back, side] = [net('neck-to-waist-back') ?? net('nape-to-waist'), net('underarm-to-waist')];
  return back !== null && side !== null && back - side >= 10;
}
