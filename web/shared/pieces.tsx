import type { ComponentProps, MouseEvent } from 'react';

/**
 * What every form and list is made of, one set for all places: the browser's own elements, which a hand, a phone's
 * wheel, a screen reader and forced colours know, dressed once in app/look.css. Outside web/shared no place writes them
 * bare (biome.json refuses it). The component library's fields stand beside them in the same dress where a form checks
 * its own rules. Decision 33 says why.
 */
const dressed = (own: string, more: string | undefined): string => (more ? `${own} ${more}` : own);

/** `take` does what the place is for, `plain` something else, `quiet` lies in a text, `ask` and `pick` choose. */
export type Look = 'take' | 'plain' | 'quiet' | 'ask' | 'pick' | 'bare';

interface ActionButtonProps extends ComponentProps<'button'> {
  readonly look: Look;
  /** what it does is under way: it keeps the focus, and a second press, or Enter in its form, does nothing */
  readonly busy?: boolean | undefined;
}
const nothing = (e: MouseEvent) => e.preventDefault();

export function ActionButton({
  look,
  className,
  type = 'button',
  busy,
  onClick,
  ...rest
}: ActionButtonProps) {
  const own = look === 'bare' ? className : dressed(look, className);
  const state = busy ? { 'aria-disabled': true, 'aria-busy': true, onClick: nothing } : { onClick };
  return <button {...rest} {...state} type={type} className={own} />;
}

/** One line of text, a passphrase (`type`) or what is searched for. `bare` has a dress of its own. */
export function TextField({
  bare = false,
  className,
  ...rest
}: ComponentProps<'input'> & { readonly bare?: boolean }) {
  return <input {...rest} className={bare ? className : dressed('field', className)} />;
}

export function TextLines({ className, ...rest }: ComponentProps<'textarea'>) {
  return <textarea {...rest} className={dressed('field', className)} />;
}

export function SelectField({ className, ...rest }: ComponentProps<'select'>) {
  return <select {...rest} className={dressed('field', className)} />;
}

export function Tick(props: Omit<ComponentProps<'input'>, 'type'>) {
  return <input {...props} type="checkbox" />;
}

/** One of several of the same `name`. */
export function RadioMark(props: Omit<ComponentProps<'input'>, 'type'>) {
  return <input {...props} type="radio" />;
}

export function FileField(props: Omit<ComponentProps<'input'>, 'type'>) {
  return <input {...props} type="file" />;
}

export function RangeField(props: Omit<ComponentProps<'input'>, 'type'>) {
  return <input {...props} type="range" />;
}

/** A table as a book has it: lines between rows, no boxes. `bare` has a dress of its own. */
export function Ledger({
  bare = false,
  className,
  ...rest
}: ComponentProps<'table'> & { readonly bare?: boolean }) {
  return <table {...rest} className={bare ? className : dressed('ledger', className)} />;
}
