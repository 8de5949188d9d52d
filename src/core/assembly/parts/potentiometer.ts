import { array, number, object, string } from 'yup';
import { memberId } from '../../catalogue';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('potentiometer'),
  /** Of the track of each gang, Ω. */
  trackOhms: number().min(0).max(1e9),
  /** Controls on one spindle, each named for what it controls; one without a name where nothing is said. */
  gangs: array(memberId).min(1).max(8).optional(),
  taper: string().oneOf(['linear', 'logarithmic'] as const),
}).noUnknown();

const gangsOf = ({ gangs }: { readonly gangs?: readonly string[] | undefined }): readonly string[] =>
  gangs ?? [''];
const leadsOf = (gang: string): readonly string[] =>
  ['cw', 'wiper', 'ccw'].map((name) => (gang === '' ? name : `${gang}.${name}`));

/** A control. Its leads are `<gang>.cw`, `<gang>.wiper` and `<gang>.ccw`. */
export const potentiometer = partKind({
  kind: 'potentiometer',
  shape,
  leads: (part) => gangsOf(part).flatMap(leadsOf),
  turns: (part) =>
    gangsOf(part).map((gang) => {
      const [cw = '', , ccw = ''] = leadsOf(gang);
      return [cw, ccw];
    }),
  carries: (part) => gangsOf(part).map(leadsOf),
  value: (part) => part.trackOhms,
  withValue: (part, trackOhms) => ({ ...part, trackOhms }),
});
