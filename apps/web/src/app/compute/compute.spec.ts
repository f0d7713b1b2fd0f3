import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { demoContents, writeBundle } from '@pomek/core';
import { someContents } from '../../../testing/records';
import { Compute } from './compute';
import { ReplySchema, RequestSchema } from './protocol';

const now = new Date('2026-11-20T10:00:00Z');
const compute = () => TestBed.inject(Compute);

test('a good file comes back as its contents, a bad one as its problems', async () => {
  const good = await firstValueFrom(compute().readBundle(new Blob([writeBundle(someContents(), now)])));
  expect(good).toMatchObject({ ok: true, writtenAt: now.toISOString() });
  const bad = await firstValueFrom(compute().readBundle(new Blob(['{'])));
  expect(bad).toMatchObject({ ok: false, problems: [{ place: expect.stringContaining('line 1') as string }] });
});

test('the demo is the one of the core', async () => {
  expect(await firstValueFrom(compute().demo('2026-11-20'))).toEqual(demoContents('2026-11-20'));
});

test('unsubscribing ends the work', async () => {
  let answered = false;
  compute()
    .demo('2026-11-20')
    .subscribe(() => (answered = true))
    .unsubscribe();
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(answered).toBe(false);
});

test('what crosses the border is parsed on both sides', () => {
  expect(RequestSchema.safeParse({ task: 'demo', today: 'soon' }).success).toBe(false);
  expect(RequestSchema.safeParse({ task: 'format the disk' }).success).toBe(false);
  expect(ReplySchema.safeParse({ kind: 'error' }).success).toBe(false);
});
