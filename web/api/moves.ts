import { LIST } from './base.ts';

/** What a change of one order's alterations, photographs or hand-over moves on the screens. */
export const movesOrder = (_: unknown, error: unknown, { orderId }: { orderId: number }) =>
  error
    ? []
    : [
        { type: 'Alterations' as const, id: orderId },
        { type: 'Alterations' as const, id: LIST },
        { type: 'Order' as const, id: orderId },
        // How far it has come stands in every list.
        { type: 'Order' as const, id: LIST },
        // What is agreed waits at the sheet while the cloth is not cut.
        { type: 'Sheet' as const, id: orderId },
        'Diary' as const,
      ];

/** What a change of hours, rooms or what keeps somebody busy moves. */
export const movesHours = (_: unknown, error: unknown) => (error ? [] : ['Diary' as const, 'Staff' as const]);
