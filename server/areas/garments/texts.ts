/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  blockNameTaken: (name: string | number) =>
    `This client already has a block called “${name}”. Nothing was saved. Choose another name.`,
  nameTaken: (name: string | number) =>
    `There is already a garment called “${name}”. Nothing was saved. Choose another name.`,
} as const;
