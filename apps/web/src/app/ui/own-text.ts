import { computed, signal, type Signal } from '@angular/core';
import { followsStored } from './follows-stored';

/** A value that is typed as text: how it stands, and how it is read. */
export interface WrittenValue {
  readonly value: () => string;
  readonly written: (value: string) => string;
  /** The value of a text in which nothing is wrong. */
  readonly read: (text: string) => string;
  /** What is wrong with a text; empty: nothing. */
  readonly problem: (text: string) => string;
  readonly changed: (value: string) => void;
}

/** What its owner types into a field: it stands as typed until it is left, and every good text is taken over at once. */
export class OwnText {
  /** Null where the field shows its value. */
  private readonly own = signal<string | null>(null);
  readonly text: Signal<string> = computed(() => this.own() ?? this.of.written(this.of.value()));
  readonly wrong: Signal<string> = computed(() => this.of.problem(this.text()));

  constructor(private readonly of: WrittenValue) {
    followsStored(() => this.own.set(null));
  }

  typed(text: string): void {
    this.own.set(text);
    if (this.of.problem(text) === '') this.give(this.of.read(text));
  }

  /** What is wrong stays, with what is wrong about it. */
  left(): void {
    if (this.wrong() === '') this.own.set(null);
  }

  /** Takes a value that was not typed; one that may not be is passed over. */
  put(value: string): void {
    const text = this.of.written(value);
    if (this.of.problem(text) !== '') return;
    this.own.set(text);
    this.give(value);
  }

  private give(value: string): void {
    if (value !== this.of.value()) this.of.changed(value);
  }
}
