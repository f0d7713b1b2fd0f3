import { Pipe, type PipeTransform } from '@angular/core';
import { readDay } from './day-words';

/** A day as people write it: `12 Mar 2026`. */
@Pipe({ name: 'pkDay' })
export class DayPipe implements PipeTransform {
  transform(day: string): string {
    return readDay(day);
  }
}
