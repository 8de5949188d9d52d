import { answer, FILE_LIMIT, idOf, importSchema, readBody } from '../../../../server/http';
import { importInto } from '../../../../server/services/files';

export const POST = answer(201, async (db, context) =>
  importInto(db, idOf(context), await readBody(context.request, importSchema, FILE_LIMIT)),
);
