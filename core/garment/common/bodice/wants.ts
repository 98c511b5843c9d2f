import type { Wants } from '../../part.ts';
import type { Plan } from './quarter-plan.ts';

/** What a bodice wants measured, by the plan it is drafted by: what a quick plan lays by itself is not asked for. */
export function bodiceWants(plan: Plan, opens: string): Wants {
  // What opens at its side goes over the head.
  const head = opens === 'left-side' ? ['head'] : [];
  const every = ['bust', 'waist', 'neck-to-bust', 'across-shoulder'];
  const widths = ['shoulder', 'neck-width', 'shoulder-drop', 'across-front', 'across-back'];
  const depths = ['armhole', 'armhole-depth', 'underarm-to-waist', 'neck-depth-front', 'neck-depth-back'];
  if (plan === 'quarter')
    return {
      needs: [...every, 'bust-to-waist'],
      helps: [
        ...widths,
        'apex-span',
        'neck-to-waist-front',
        'nape-to-waist',
        'neck-to-waist-back',
        ...depths.filter((id) => id !== 'underarm-to-waist'),
        ...head,
      ],
    };
  return {
    needs: [
      ...every,
      'neck-to-waist-front',
      'nape-to-waist',
      // The plan by heights has a centre panel by the bust instead.
      ...(plan === 'heights' ? [] : ['apex-span']),
    ],
    helps: [
      ...(plan === 'heights' ? ['neck-to-underbust', 'underbust'] : ['bust-front', 'waist-front']),
      'high-bust',
      ...widths,
      'bust-to-waist',
      'neck-to-waist-back',
      ...depths,
      ...head,
    ],
  };
}
