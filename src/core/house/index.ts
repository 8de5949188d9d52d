export {
  HOUSE_MIGRATIONS,
  HOUSE_VERSION,
  houseSchema,
  NEW_HOUSE,
  readHouse,
  storedHouse,
  type House,
} from './house';
export { cuttingSchema } from './settings/cutting';
