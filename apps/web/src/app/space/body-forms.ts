import { Injectable, inject } from '@angular/core';
import { shareReplay, type Observable } from 'rxjs';
import type { Body, FormPart } from '@pomek/core';
import { Compute } from '../compute/compute';

/** Bodies whose surface is kept: who is looked at changes, mostly between a few. */
const KEPT = 6;

/** The surfaces of bodies, each made once beside the page and kept. */
@Injectable({ providedIn: 'root' })
export class BodyForms {
  private readonly compute = inject(Compute);
  private readonly made = new Map<string, Observable<readonly FormPart[]>>();

  of({ stature, mass, lengths: { shank, thigh, foot } }: Body): Observable<readonly FormPart[]> {
    const body = { stature, mass, shank, thigh, foot };
    const key = JSON.stringify(body);
    const known = this.made.get(key) ?? this.compute.result('body-form', { body }).pipe(shareReplay(1));
    this.made.delete(key);
    this.made.set(key, known);
    const [oldest] = this.made.keys();
    if (this.made.size > KEPT && oldest !== undefined) this.made.delete(oldest);
    return known;
  }
}
