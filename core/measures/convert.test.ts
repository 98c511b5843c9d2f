import { describe, expect, it } from 'vitest';
import { formatSentence } from '../units/print.ts';
import { hasSides, MEASURES } from './catalogue.ts';
import { cannotConvert, sidesApart, withConverted } from './convert.ts';
import { listBy, SCHOOL_CHOICES, SCHOOL_MATTERS, schoolSays, USUAL_SCHOOLS } from './schools.ts';
import { resolveAll } from './session.ts';
import { taken } from './testing.ts';

const of = (figures: Record<string, string>) =>
  withConverted(resolveAll(Object.entries(figures).map(([id, text]) => taken(id, text))));
const why = (m: ReturnType<typeof of>, id: string) => formatSentence(m.get(id)!.why.join(' '), 'cm');

describe('figures from others of the same session', () => {
  it('both sides make the whole by their mean, or each its own side where they differ by more than a half', () => {
    const alike = of({ 'shoulder-left': '12.5 cm', 'shoulder-right': '12 cm' });
    expect(alike.get('shoulder')!.net).toBe(12.25);
    expect(why(alike, 'shoulder')).toBe('Both sides were read: left 12.5 cm, right 12 cm; the mean counts.');
    const read = resolveAll([taken('shoulder-left', '13 cm'), taken('shoulder-right', '12 cm')]);
    expect(sidesApart(read)).toEqual([{ of: 'shoulder', left: 13, right: 12 }]);
    expect(withConverted(read).get('shoulder')!.net).toBe(12);
    expect(withConverted(read, 'left').get('shoulder')!.net).toBe(13);
    expect(why(withConverted(read, 'left'), 'shoulder')).toBe(
      'Both sides were read: left 13 cm, right 12 cm; each is drafted for itself, this is the left.',
    );
  });
  it('what hangs on the centre is drafted on the mean, and says that it has to be balanced', () => {
    const m = of({ 'neck-to-waist-front-left': '45 cm', 'neck-to-waist-front-right': '44 cm' });
    expect(m.get('neck-to-waist-front')!.net).toBe(44.5);
    expect(why(m, 'neck-to-waist-front')).toContain('both halves meet at the centre');
  });
  it('pieces make the length, one after the other', () => {
    const m = of({ 'neck-to-bust': '27.5 cm', 'bust-to-underbust': '8 cm', 'underbust-to-waist': '9.5 cm' });
    expect(m.get('bust-to-waist')!.net).toBe(17.5);
    expect(m.get('neck-to-waist-front')!.net).toBe(45);
    expect(why(m, 'neck-to-underbust')).toBe(
      'Not read itself: read piece by piece. side-neck to bust point 27.5 cm + bust point to under bust 8 cm.',
    );
  });
  it('a sleeve from the nape loses half the shoulder; a back length changes its reference by the two heights', () => {
    expect(of({ 'nape-to-wrist': '80 cm', 'across-shoulder': '41 cm' }).get('arm-length')!.net).toBe(59.5);
    const m = of({ 'nape-to-waist': '41 cm', 'neck-to-floor': '146 cm', 'nape-to-floor': '143.5 cm' });
    expect(m.get('neck-to-waist-back')!.net).toBe(43.5);
  });
  it('what was read is never replaced, what was declined not made up, and nothing below zero comes out', () => {
    expect(of({ bust: '96 cm', 'bust-front': '50 cm', 'bust-back': '44 cm' }).get('bust')!.net).toBe(96);
    expect(of({ bust: '40 cm', 'bust-back': '44 cm' }).has('bust-front')).toBe(false);
    const declined = withConverted(
      resolveAll([
        { ...taken('bust', '1 cm'), state: 'declined', written: null },
        taken('bust-front', '50 cm'),
        taken('bust-back', '44 cm'),
      ]),
    );
    expect(declined.get('bust')!.net).toBeNull();
  });
  it('what cannot be converted is said, not guessed', () => {
    const m = of({ 'nape-to-waist': '41 cm' });
    expect(m.has('neck-to-waist-back')).toBe(false);
    expect(cannotConvert('neck-to-waist-back', m)).toContain(
      'Nape to waist was read, and nothing of this session',
    );
    expect(cannotConvert('waist', m)).toBe('');
  });
});

describe('a list in a school', () => {
  const list = [
    'hip',
    'waist-to-hip',
    'neck-to-waist-back',
    'neck-to-waist-front',
    'arm-length',
    'shoulder',
    'hem-front',
  ].map((id) => ({ id, needed: true }));
  const by = (schools: object, seated = false) =>
    listBy(list, { ...USUAL_SCHOOLS, ...schools }, { seated, sided: hasSides }).map((i) => i.id);
  it('is as it was in the usual one', () => expect(by({})).toEqual(list.map((i) => i.id)));
  it('reads heights from the nape, lengths piece by piece, sleeves from the side-neck, both sides', () => {
    expect(by({ heightFrom: 'nape' })).toContain('nape-to-waist');
    expect(by({ frontLengths: 'piece by piece' })).toEqual(
      expect.arrayContaining(['neck-to-bust', 'bust-to-waist', 'shoulder-to-elbow']),
    );
    expect(by({ sleeveFrom: 'side-neck' })).toContain('neck-to-wrist');
    expect(by({ sides: 'both sides' })).toEqual(expect.arrayContaining(['shoulder-left', 'shoulder-right']));
    expect(by({ sides: 'both sides' })).not.toContain('shoulder');
  });
  it('of a seated client asks for nothing that needs standing, and each is a measure of the catalogue', () => {
    const ids = by({}, true);
    expect(ids).toEqual(
      expect.arrayContaining(['hip-seated', 'waist-to-seat-back', 'waist-to-knee-seated', 'lap-to-hem']),
    );
    expect(ids).not.toContain('hip');
    for (const matter of SCHOOL_MATTERS)
      for (const choice of SCHOOL_CHOICES[matter].of)
        for (const seated of [false, true])
          for (const id of by({ [matter]: choice }, seated)) expect(MEASURES.map((m) => m.id)).toContain(id);
  });
  it('what is read in another school makes what the sheet wants again', () => {
    const figures = of({
      'neck-to-bust': '27 cm',
      'bust-to-waist': '18 cm',
      'shoulder-left': '12.5 cm',
      'shoulder-right': '12.5 cm',
    });
    for (const id of ['neck-to-waist-front', 'shoulder']) expect(figures.get(id)!.net).not.toBeNull();
  });
  it('says at the tape what the school changes there', () => {
    expect(schoolSays('neck-depth-front', { ...USUAL_SCHOOLS, neckDepth: 'slanted' })).toContain('slanted');
    expect(
      schoolSays('wrist-left', { ...USUAL_SCHOOLS, sleeveGirth: 'with the ease in the tape' }),
    ).toContain('ease already');
    expect(schoolSays('waist', USUAL_SCHOOLS)).toBe('');
  });
});
