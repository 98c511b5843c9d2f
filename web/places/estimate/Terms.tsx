import { useId } from 'react';
import { DateField } from '../../shared/DateField.tsx';
import { TextField, TextLines } from '../../shared/pieces.tsx';
import type { Edit } from './Lines.tsx';

/** What is agreed with the client beside the sum: the price, the deposit, until when, and a few words. */
export function Terms({ edit: { texts, set } }: { edit: Edit }) {
  const id = useId();
  return (
    <fieldset className="estimate-terms">
      <legend>Price and terms</legend>
      <div>
        <label htmlFor={`${id}-a`}>Price asked</label>
        <TextField
          id={`${id}-a`}
          className="short"
          inputMode="decimal"
          placeholder="as reckoned"
          value={texts.asked}
          onChange={(e) => set({ asked: e.target.value })}
        />
      </div>
      <div>
        <label htmlFor={`${id}-d`}>Deposit</label>
        <TextField
          id={`${id}-d`}
          className="short"
          inputMode="decimal"
          placeholder="as usual"
          value={texts.deposit}
          onChange={(e) => set({ deposit: e.target.value })}
        />
      </div>
      <div>
        <label htmlFor={`${id}-u`}>Holds until</label>
        <DateField id={`${id}-u`} value={texts.until} onChange={(until) => set({ until: until ?? '' })} />
      </div>
      <div className="wide">
        <label htmlFor={`${id}-w`}>Words to the client</label>
        <TextLines
          id={`${id}-w`}
          rows={2}
          maxLength={1000}
          value={texts.words}
          onChange={(e) => set({ words: e.target.value })}
        />
      </div>
    </fieldset>
  );
}
