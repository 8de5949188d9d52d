export { kit, type KitLine } from './kit';
