import { Pipe, type PipeTransform } from '@angular/core';
import { counted } from '@pomek/core';

/** A count with its noun: `1 exercise`, `47 exercises`. */
@Pipe({ name: 'pkCounted' })
export class CountedPipe implements PipeTransform {
  transform(amount: number, singular: string, plural?: string): string {
    return counted(amount, singular, plural);
  }
}
