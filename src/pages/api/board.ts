import { answer } from '../../server/http';
import { board } from '../../server/services/board';

export const GET = answer(200, (db) => board(db));
