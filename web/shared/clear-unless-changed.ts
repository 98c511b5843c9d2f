import type { FormInstance } from 'antd';

/** For a field whose text was sent and taken: it is emptied, but what a hand has written there since stays. */
export const clearUnlessChanged =
  <T>(sent: T, empty: T) =>
  (now: T): T =>
    now === sent ? empty : now;

/** The same for a whole form: the fields that still hold what was sent go back to how the form opens. */
export function emptyForm(form: Pick<FormInstance, 'getFieldValue' | 'resetFields'>, sent: object): void {
  const text = (value: unknown) => JSON.stringify(value ?? null);
  const still = Object.entries(sent).flatMap(([name, was]) =>
    text(form.getFieldValue(name)) === text(was) ? [name] : [],
  );
  if (still.length > 0) form.resetFields(still);
}
