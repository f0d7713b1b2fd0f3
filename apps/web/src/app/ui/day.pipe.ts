import { Pipe, type PipeTransform } from '@angular/core';
import { dayMonth, readDay } from './day-words';

/** A day as people write it: `12 Mar 2026`; without its year where that is plain: `12 Mar`. */
@Pipe({ name: 'pkDay' })
export class DayPipe implements PipeTransform {
  transform(day: string, year = true): string {
    return year ? readDay(day) : dayMonth(day);
  }
}
