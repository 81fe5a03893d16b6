import { describe, expect, test } from '@jest/globals';
import { emptyLayout, SWEEP_SIZES, present } from '@lyvek/core';
import { Survey } from './survey.ts';

/** Answers every size until none is asked for. */
function measureAll(survey: Survey): number {
  let count = 0;
  for (let v = survey.store.getState().wanted; v; v = survey.store.getState().wanted, count++)
    survey.put(emptyLayout(v));
  return count;
}

describe('a survey', () => {
  test('asks for one size after another until all are known', () => {
    const survey = new Survey();
    survey.begin('a');
    const count = measureAll(survey);
    expect(count).toBeGreaterThan(20);
    expect(count).toBeLessThan(SWEEP_SIZES.length / 2);
    expect(survey.store.getState()).toMatchObject({ wanted: null, done: 1 });
    expect(survey.store.getState().layouts.length).toBe(count);
  });

  test('what is begun again for the same page is not measured again', () => {
    const survey = new Survey();
    survey.begin('a');
    measureAll(survey);
    survey.begin('a');
    expect(survey.store.getState().wanted).toBeNull();
    survey.begin('b');
    expect(survey.store.getState()).toMatchObject({
      wanted: { width: 320, height: 480 },
      layouts: [],
      done: 0,
    });
  });

  test('a layout of another size than the one that is wanted is not taken', () => {
    const survey = new Survey();
    survey.begin('a');
    expect(survey.put(emptyLayout({ width: 1280, height: 800 }))).toBe(false);
    survey.end();
    expect(survey.store.getState().layouts).toEqual([]);
  });

  test('stopping keeps what was measured, and going on goes on there', () => {
    const survey = new Survey();
    survey.begin('a');
    survey.put(emptyLayout(present(survey.store.getState().wanted)));
    const next = survey.store.getState().wanted;
    survey.end();
    expect(survey.store.getState().wanted).toBeNull();
    expect(survey.store.getState().layouts.length).toBe(1);
    expect(survey.isOf('a')).toBe(true);
    survey.begin('a');
    expect(survey.store.getState().wanted).toEqual(next);
  });
});
