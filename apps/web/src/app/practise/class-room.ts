import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Button } from 'primeng/button';
import type { ClassWork } from './class-work';

/** The room of a class while it is conducted: everybody in it, who is corrected now, and what was seen. */
@Component({
  selector: 'pk-class-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  templateUrl: './class-room.html',
  styleUrl: './class-room.scss',
})
export class ClassRoom {
  readonly work = input.required<ClassWork>();
}
