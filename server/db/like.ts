/** Text safe inside a like pattern. */
export const likeSafe = (text: string): string => text.replace(/[\\%_]/g, '\\$&');
