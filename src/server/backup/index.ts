export { BadBackup, readManifest, writeBackup, type Manifest } from './file';
export { isEmptyHouse, restore } from './restore';
export { migrationsRun, tablesInOrder } from './tables';
export { BACKUP_VERSION, backupLines } from './write';
export { plainLines } from './plain';
