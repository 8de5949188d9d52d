import { fileURLToPath } from 'node:url';
import path from 'node:path';

export const ROOT = path.resolve(fileURLToPath(new URL('../..', import.meta.url)));
export const inProject = (...parts) => path.join(ROOT, ...parts);
/** Where data, logs and the run lock are kept unless ANTLER_DATA_DIR says otherwise. */
export const dataFolder = () => path.resolve(process.env.ANTLER_DATA_DIR ?? inProject('.antler'));
