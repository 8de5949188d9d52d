import { array, boolean, number, object, string } from 'yup';
import { HEAT_VERSION } from '../heat';
import type { Shape } from '../quantity';

const words = () => string().required();
const seconds = () => number().min(0);

/** With what, how hot and how long a joint is soldered, as it is printed. */
export const heatFileSchema = object({
  version: number()
    .oneOf([HEAT_VERSION] as const)
    .required(),
  joint: words(),
  what: words(),
  tip: words(),
  settingC: number().required(),
  watts: number().required(),
  clip: boolean().required(),
  wetsAt: seconds(),
  dwell: seconds(),
  givesWayAt: seconds(),
  givesWay: object({
    what: words(),
    celsius: number().required(),
    from: number().required(),
    to: number().required(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Between having flowed and giving way, s; less than nothing where there is no window. */
  spare: number(),
  says: words(),
  warning: string().min(1),
  curve: array(
    object({ s: seconds().required(), jointC: number().required(), insulationC: number() })
      .noUnknown()
      .required(),
  ).required(),
}).noUnknown();
export type HeatFile = Shape<typeof heatFileSchema>;
