import { array, boolean, number, object, string } from 'yup';
import { PATCH_VERSION } from '../sweep';
import type { Shape } from '../quantity';

/** A patch list as it is printed: where every input goes. */
export const patchFileSchema = object({
  version: number()
    .oneOf([PATCH_VERSION] as const)
    .required(),
  inputs: array(
    object({ id: string().required(), way: number().integer().required(), moved: boolean().required() })
      .noUnknown()
      .required(),
  ).required(),
  left: array(string().required()).required(),
  cost: number().min(0).required(),
  optimal: boolean().required(),
}).noUnknown();
export type PatchFile = Shape<typeof patchFileSchema>;
