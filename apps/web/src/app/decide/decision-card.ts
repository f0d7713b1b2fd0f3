import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import * as z from 'zod';
import { axisWords, type Answer, type PersonRecord, type Way, type StrandVerdict } from '@pomek/core';
import { keptDraft } from '../data/kept-draft';
import { PlateauWays } from './plateau-ways';
import { AxisField } from '../ui/axis-field';
import { TextField } from '../ui/text-field';
import { VerdictMark } from '../ui/verdict-mark';

export type Reply = Answer;

const ReasonSchema = z.object({ reason: z.string() });

/** One verdict with its reasons, and the teacher's answer to it. */
@Component({
  selector: 'pk-decision',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, AxisField, InputText, PlateauWays, TextField, VerdictMark],
  templateUrl: './decision-card.html',
  styleUrl: './decision-card.scss',
})
export class DecisionCard {
  readonly entry = input.required<StrandVerdict>();
  readonly today = input.required<string>();
  /** What is known of the person: needed where a way on from a plateau is to be chosen. */
  readonly person = input<PersonRecord>();
  readonly reply = output<Reply>();
  readonly way = output<Way>();

  protected readonly changing = signal(false);
  protected readonly level = signal(0);
  /** The reason that is being written: it outlives leaving. */
  protected readonly draft = keptDraft(() => `decision ${this.entry().strand.id}`, ReasonSchema, { reason: '' });
  protected readonly reason = computed(() => this.draft.value().reason);
  protected readonly from = computed(() => axisWords(this.entry().verdict.fromDose, this.entry().strand.axis));
  protected readonly to = computed(() => axisWords(this.entry().verdict.toDose, this.entry().strand.axis));
  protected readonly moves = computed(() => this.entry().verdict.fromDose !== this.entry().verdict.toDose);

  protected accept(): void {
    this.reply.emit({ outcome: 'accepted', level: this.entry().verdict.level, teacherReason: '' });
  }

  protected putOff(): void {
    this.reply.emit({ outcome: 'put off', level: this.entry().strand.level, teacherReason: '' });
  }

  protected open(): void {
    this.level.set(this.entry().verdict.toDose);
    this.changing.set(true);
  }

  protected change(): void {
    this.reply.emit({ outcome: 'changed', level: this.level(), teacherReason: this.reason().trim() });
    this.changing.set(false);
    this.draft.clear();
  }

  protected clear(): void {
    this.reply.emit({ outcome: 'cleared', level: this.entry().strand.level, teacherReason: this.reason().trim() });
    this.changing.set(false);
    this.draft.clear();
  }
}
