import * as z from 'zod';
import { JournalSchema, PracticeLogSchema, type Sheet } from '@pomek/core';

/** What was answered at the end of the practice under way, as far as it was; an older page asked less. */
const AnswersSchema = PracticeLogSchema.pick({
  effort: true,
  pain: true,
  painPlace: true,
  symptoms: true,
  shook: true,
  note: true,
}).extend({
  painWhere: PracticeLogSchema.shape.painWhere.default(''),
  felt: z
    .array(z.object({ segmentId: z.string().max(80), level: z.number().int().min(0).max(10).nullable() }))
    .max(400)
    .default([]),
});
export type Answers = z.infer<typeof AnswersSchema>;
export const noAnswers: Answers = {
  effort: null,
  pain: null,
  painPlace: null,
  painWhere: '',
  symptoms: [],
  shook: [],
  felt: [],
  note: '',
};

/** What the phone remembers of a student’s practice, whichever sheet it was practised with. */
const KeptSchema = z.object({
  logs: z.array(PracticeLogSchema).max(2000).default([]),
  /** Practices that were given back already, by id. */
  given: z.array(z.string()).max(4000).default([]),
  /** The practice under way. */
  journal: JournalSchema.nullable().default(null),
  answers: AnswersSchema.default(noAnswers),
  sound: z.boolean().default(true),
  spoken: z.boolean().default(true),
});
export type Kept = z.infer<typeof KeptSchema>;

const nothing = KeptSchema.parse({});

/** The memory of this page in the browser, where it has one. */
export class Memory {
  private readonly key: string;
  private kept: Kept = nothing;
  /** As it was last written or read here: only what another page has changed is read anew. */
  private text: string | null = null;
  /** Why nothing outlives this page; empty while it does. */
  trouble = '';

  /** @param keeps false where the sheet is only looked at: then nothing is remembered, and nothing is missed */
  constructor(
    { student }: Pick<Sheet, 'student'>,
    private readonly keeps = true,
  ) {
    this.key = `pomek-home-${student.id}`;
    this.kept = this.read();
  }

  get value(): Kept {
    return this.kept;
  }

  /** A change is a function of what is stored: another page of the same sheet may be open. */
  change(how: (stored: Kept) => Kept): void {
    this.kept = how(this.trouble === '' ? this.read() : this.kept);
    this.write();
  }

  private read(): Kept {
    if (!this.keeps) return this.kept;
    try {
      const text = localStorage.getItem(this.key);
      if (text === null) {
        // Whether it keeps at all shows only in trying.
        localStorage.setItem(this.key, JSON.stringify(nothing));
        return nothing;
      }
      if (text === this.text) return this.kept;
      const read = KeptSchema.safeParse(asJson(text));
      if (read.success) {
        this.text = text;
        return read.data;
      }
      // What cannot be read is put aside, never written over.
      localStorage.setItem(`${this.key}-unread-${text.length}`, text);
      return nothing;
    } catch {
      this.trouble = noMemory;
      return nothing;
    }
  }

  private write(): void {
    if (!this.keeps) return;
    try {
      const text = JSON.stringify(this.kept);
      localStorage.setItem(this.key, text);
      this.text = text;
    } catch {
      this.trouble = noMemory;
    }
  }
}

/** A damaged text is nothing that can be read. */
function asJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const noMemory =
  'This browser saves nothing for a page opened like this. Give the practice back before you close the page, or write it down.';
