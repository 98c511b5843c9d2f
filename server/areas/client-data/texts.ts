/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  notEmpty:
    'Orders, measurements or appointments are kept with this client. Nothing was deleted. The owner can erase a client’s data.',
  orderOpen: (order: string | number) =>
    `Order ${order} is still open. Nothing was erased. Cancel or hand over the order, then try again.`,
} as const;
