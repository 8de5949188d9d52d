import type { ConnectorEntry } from '../catalogue';
import type { LengthSystem } from '../quantity';
import type { Schools } from './schools';

/** A connector's name in the chosen words: “XLR 3 cable plug” or “XLR 3 cable male”. */
export const sayConnector = (connector: ConnectorEntry, schools: Schools): string =>
  schools.words === 'male-female'
    ? connector.name.replace(/\bplug\b/, 'male').replace(/\bsocket\b/, 'female')
    : connector.name;

/** Whether lengths are said in metres or in feet and inches. */
export const lengthSystem = (schools: { readonly units?: Schools['units'] | undefined }): LengthSystem =>
  schools.units === 'inch' ? 'inch' : 'metric';
