import { Injectable } from '@angular/core';
import { Awake } from '@pomek/device';

/** Keeps the screen on while the hall is open. */
@Injectable({ providedIn: 'root' })
export class ScreenAwake extends Awake {}
