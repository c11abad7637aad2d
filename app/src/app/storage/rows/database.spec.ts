import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TestBed } from '@angular/core/testing';
import { type Archive, EMPTY_ARCHIVE } from '@roam-dial/core/formats/archive';
import { pathText, readArchive, readRow } from '@roam-dial/core/formats/reading';
import type { District } from '@roam-dial/core/streets';
import Dexie from 'dexie';
import { BrowserRows } from './browser-rows';
import { applySchema, Database, DATABASE_NAME, SCHEMA_VERSIONS } from './database';
import { readRows, rowsOf } from './stored-form';

/** What was kept in the tables of version 3 had the shape of archives of version 1. */
const STORED_V1 = JSON.parse(readFileSync(join(__dirname, '../../../../../core/reference/archives/v1.json'), 'utf8')) as Archive;

function databaseNamed(name: string): Database {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [{ provide: DATABASE_NAME, useValue: name }] });
  return TestBed.inject(Database);
}

describe('the tables', () => {
  it('are append-only from version 1 on', () => {
    expect(SCHEMA_VERSIONS.map(({ version }) => version)).toEqual(SCHEMA_VERSIONS.map((_, k) => k + 1));
  });

  it.each([2, 3])('of version %d open with everything in them, as a file of their time does', async (version) => {
    const old = new Dexie(`from-${version}`);
    applySchema(old, SCHEMA_VERSIONS.slice(0, version));
    await old.table('kit').bulkPut([...STORED_V1.kit]);
    await old.table('walks').bulkPut([...STORED_V1.walks]);
    if (version >= 3) await old.table('districts').bulkPut([...STORED_V1.districts]);
    await old.table('profile').bulkPut([
      { key: 'standard', value: STORED_V1.standard },
      { key: 'settings', value: STORED_V1.settings },
    ]);
    old.close();
    const database = databaseNamed(`from-${version}`);
    const { archive, isSeeded, aside } = await new BrowserRows(database).load();
    database.close();
    const read = readArchive(JSON.stringify({ ...STORED_V1, ...(version >= 3 ? {} : { districts: [] }) }));
    if (!read.ok) throw new Error(read.message);
    expect([isSeeded, aside]).toEqual([true, []]);
    expect(archive.walks).toEqual(read.archive.walks);
    expect(archive.districts).toEqual(read.archive.districts);
    expect(new Set(archive.kit)).toEqual(new Set(read.archive.kit));
    expect([archive.standard, archive.settings]).toEqual([read.archive.standard, read.archive.settings]);
  });

  it('open a district when somebody looks into it, once, and then as it was', async () => {
    const district = STORED_V1.districts[0] as District;
    const { rows } = rowsOf({ ...EMPTY_ARCHIVE, districts: [district] }, 1);
    const parse = jest.spyOn(JSON, 'parse');
    const read = (await readRows(rows, { readRow, pathText })).rows.get('districts')?.get(district.id) as District;
    expect([read.id, parse.mock.calls.length]).toEqual([district.id, 0]);
    expect([read.buildings, read.waters, parse.mock.calls.length]).toEqual([district.buildings, district.waters, 1]);
    expect([structuredClone(read), { ...read }, JSON.stringify(read)]).toEqual([district, district, JSON.stringify(district)]);
    parse.mockRestore();
  });

  it('keep a district as bytes, hold it to its schema only where they are not its own, and set it aside where they are torn', async () => {
    const database = databaseNamed('bulk');
    const rows = new BrowserRows(database);
    const read = readArchive(JSON.stringify(STORED_V1));
    if (!read.ok) throw new Error(read.message);
    await rows.seed(read.archive);
    const row = await database.rows.get(['districts', 'orrel']);
    expect(ArrayBuffer.isView(row?.data)).toBe(true);
    expect((await rows.load()).archive).toEqual(read.archive);
    const bytes = (row?.data as Uint8Array).slice(0, 1000);
    await database.rows.put({ ...(row as never as Record<string, never>), data: bytes } as never);
    const torn = await rows.load();
    expect(torn.archive.districts).toEqual([]);
    expect(torn.aside).toMatchObject([{ collection: 'districts', id: 'orrel' }]);
    database.close();
  });

  it('of a newer program are not opened unchecked', async () => {
    const newer = new Dexie('newer');
    applySchema(newer, [...SCHEMA_VERSIONS, { version: SCHEMA_VERSIONS.length + 1, stores: { more: 'id' } }]);
    await newer.open();
    newer.close();
    const database = databaseNamed('newer');
    await expect(new BrowserRows(database).load()).rejects.toThrow('newer version');
    database.close();
  });

  it('set aside a row of a newer program', async () => {
    const database = databaseNamed('newer-row');
    const rows = new BrowserRows(database);
    const read = readArchive(JSON.stringify(STORED_V1));
    if (!read.ok) throw new Error(read.message);
    await rows.seed(read.archive);
    const walk = await database.rows.get(['walks', 'demo-walk']);
    await database.rows.put({ ...(walk as never as Record<string, never>), version: 99 } as never);
    const loaded = await rows.load();
    expect([loaded.archive.walks, loaded.aside[0]?.problem]).toEqual([[], 'was written by a newer program (version 99)']);
    database.close();
  });
});
