import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Dexie, type Table } from 'dexie';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { TableModule } from 'primeng/table';

interface Row {
  readonly id: number;
  readonly name: string;
}
const ROWS = 40;

/** A view that comes when it is asked for: a table of what is stored, a search, a choice, a dialog. */
@Component({
  selector: 'bare-later',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, InputText, Select, TableModule],
  template: `<h1>Later</h1>
    <input pInputText [(ngModel)]="search" aria-label="Search" />
    <p-select [options]="rows()" optionLabel="name" ariaLabel="Choice" />
    <p-table [value]="rows()">
      <ng-template #body let-row>
        <tr>
          <td>{{ row.id }}</td>
          <td>{{ row.name }}</td>
        </tr>
      </ng-template>
    </p-table>
    <p-button label="Open" (onClick)="open.set(true)" />
    <p-dialog [visible]="open()" header="Dialog">Bare</p-dialog>`,
})
export class BareLater {
  protected readonly rows = signal<Row[]>([]);
  protected readonly open = signal(false);
  protected search = '';

  constructor() {
    void this.read();
  }

  private async read(): Promise<void> {
    const database = new Dexie('bare');
    database.version(1).stores({ rows: 'id' });
    const table: Table<Row, number> = database.table('rows');
    if ((await table.count()) === 0) {
      await table.bulkPut(Array.from({ length: ROWS }, (_, id) => ({ id, name: `Row ${id}` })));
    }
    this.rows.set(await table.toArray());
  }
}
