import { Injectable, inject } from '@angular/core';
import { SPACE, databaseName } from './space';
import { StoredTables } from './stored-tables';

export { tableNames, type Records, type TableName } from './stored-tables';

/** One space in the browser's storage: the teacher's own, or the demo. */
@Injectable({ providedIn: 'root', useFactory: () => new Database(databaseName[inject(SPACE)]) })
export class Database extends StoredTables {}
