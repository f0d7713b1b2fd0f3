import { Injectable, inject } from '@angular/core';
import * as z from 'zod';
import { Clock } from './clock';
import { Database, tableNames } from './database';
import { writers } from './schemas';

const ChangeSchema = z
  .object({ table: z.enum(tableNames), id: z.string(), before: z.unknown().optional(), after: z.unknown().optional() })
  .superRefine(({ table, id, before, after }, context) => {
    const wrong = (path: string): void =>
      context.addIssue({ code: 'custom', path: [path], message: `no record of ${table}` });
    // What was there before may be a record that was set aside, since it cannot be read; taken back, it is set aside again.
    if (before !== undefined && !z.looseObject({ id: z.literal(id) }).safeParse(before).success) wrong('before');
    if (after !== undefined && !writers[table].safeParse(after).success) wrong('after');
  });
/** One step that can be taken back: what it changed, with both its ends. */
const StepSchema = z.object({
  /** In the order in which they were done. */
  id: z.string(),
  label: z.string(),
  changes: z.array(ChangeSchema),
  mergeKey: z.string().nullable(),
  /** What it means; see `Store.writeOnce`. Null where the same again is another step. */
  means: z.string().nullable().default(null),
  at: z.number(),
  /** It was taken back, and can be done again; the later, the sooner. Null while it stands. */
  undoneAt: z.number().nullable(),
});
export type Step = Readonly<z.infer<typeof StepSchema>>;
export type Change = Step['changes'][number];

/** A step of more records than these is taken back until the page is left, and not after: a file taken in. */
const MOST_CHANGES = 1000;
const isKept = ({ changes }: Step): boolean => changes.length <= MOST_CHANGES;

/**
 * The steps of today beside the records, so that they can be taken back after a reload. Never rejects: where there is no
 * room for them, undo ends with the page.
 */
@Injectable({ providedIn: 'root' })
export class KeptSteps {
  private readonly database = inject(Database);
  private readonly clock = inject(Clock);
  private readonly table = this.database.table<unknown, string>('steps');

  /** The steps of today, oldest first; those of other days are dropped. What cannot be read ends what is before it. */
  async read(): Promise<Step[]> {
    const today = this.clock.today();
    const stored = await this.database
      .transaction('r', this.table, async () => {
        const ids = await this.table.orderBy(':id').primaryKeys();
        return (await this.table.bulkGet(ids)).map((value, index) => ({ id: ids[index]!, value }));
      })
      .catch(() => []);
    const steps: Step[] = [];
    const old: string[] = [];
    for (const { id, value } of stored) {
      const { data } = StepSchema.safeParse(value);
      if (data === undefined) old.push(id, ...steps.splice(0).map((step) => step.id));
      else if (this.clock.dayOf(new Date(data.at)) === today) steps.push(data);
      else old.push(data.id);
    }
    await this.drop(old);
    return steps;
  }

  async keep(...steps: readonly Step[]): Promise<void> {
    const [kept, dropped] = [steps.filter(isKept), steps.filter((step) => !isKept(step))];
    await this.drop(dropped.map(({ id }) => id));
    await this.table.bulkPut(kept).catch(() => undefined);
  }

  async drop(ids: readonly string[]): Promise<void> {
    if (ids.length > 0) await this.table.bulkDelete([...ids]).catch(() => undefined);
  }

  async clear(): Promise<void> {
    await this.table.clear().catch(() => undefined);
  }
}
