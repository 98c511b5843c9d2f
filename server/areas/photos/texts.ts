/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  manyPhotos: (most: string | number) =>
    `This order has ${most} photographs, the most allowed. Nothing was saved. Remove some first.`,
  noPicture: 'No picture was sent. Choose one.',
  otherOrder: 'This mark belongs to another order. Nothing was saved.',
  pictureUnreadable: 'This picture can’t be read. Nothing was saved. Use JPEG, PNG or WebP.',
  tooManyPixels: (megapixels: string | number) =>
    `This picture has ${megapixels} megapixels; the limit is 60. Nothing was saved. Use a smaller one.`,
} as const;
