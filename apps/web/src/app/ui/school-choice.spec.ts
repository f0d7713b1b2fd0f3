import { builtInSchools, schoolChanges, softSchool, strictSchool } from '@pomek/core';
import { Select } from 'primeng/select';
import { By } from '@angular/platform-browser';
import { heard, render } from '../../../testing/render';
import { SchoolChoice } from './school-choice';

test('what another school changes is read first; then it is changed, or left', async () => {
  const page = await render(SchoolChoice, {
    schools: builtInSchools,
    schoolId: softSchool.id,
    label: 'School of the routine',
    kept: 'Doses stay.',
  });
  const chosen = heard(page.fixture.componentInstance.chosen);
  const look = async (id: string) => {
    page.fixture.debugElement.query(By.directive(Select)).triggerEventHandler('ngModelChange', id);
    await page.settle();
  };
  expect(page.text()).not.toContain('differently');
  await look(strictSchool.id);
  const changes = schoolChanges(softSchool, strictSchool);
  expect(page.text()).toContain(`${strictSchool.name} does ${changes.length} things differently. Doses stay.`);
  for (const { question, to } of changes) {
    expect(page.text()).toContain(question);
    expect(page.text()).toContain(to);
  }
  expect(chosen).toEqual([]);
  await page.press(`Stay with ${softSchool.name}`);
  expect(page.text()).not.toContain('differently');
  await look(strictSchool.id);
  await page.press(`Change to ${strictSchool.name}`);
  expect(chosen).toEqual([strictSchool.id]);
});
