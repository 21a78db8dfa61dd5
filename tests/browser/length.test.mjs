// The read-out while dragging runs the vectors that the core runs.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { figures } from '../../src/Corrie.Web/wwwroot/js/length.js';

test('lengths are shown as the core shows them', () => {
  const vectors = JSON.parse(readFileSync(new URL('../vectors/lengths.json', import.meta.url), 'utf8'));
  for (const v of vectors) {
    assert.equal(figures(v.units, { system: 'in', denominator: 8 }), v.in8);
    assert.equal(figures(v.units, { system: 'in', denominator: 16 }), v.in16);
    assert.equal(figures(v.units, { system: 'in', denominator: 32 }), v.in32);
    assert.equal(figures(v.units, { system: 'in', denominator: 16, feet: true }), v.ft);
    assert.equal(figures(v.units, { system: 'mm' }), v.mm);
  }
});
