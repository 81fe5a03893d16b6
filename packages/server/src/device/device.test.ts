import { describe, expect, test } from '@jest/globals';
import { present } from '@lyvek/core';
import { Attempts } from './attempts.ts';
import { isSame, makeCode, makeToken } from './codes.ts';
import { Devices } from './devices.ts';
import { typingScreen } from './screens.ts';
import { Show } from './show.ts';
import type { ShowSource } from './show.ts';

const PHONE =
  'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605 Version/18 Mobile Safari/604.1';

describe('wrong guesses', () => {
  test('hold up the address that makes them, for a minute, and no other', () => {
    let now = 0;
    const attempts = new Attempts(() => now);
    for (let i = 0; i < 4; i++) attempts.fail('a');
    expect(attempts.isHeldUp('a')).toBe(false);
    attempts.fail('a');
    expect([attempts.isHeldUp('a'), attempts.isHeldUp('b')]).toEqual([true, false]);
    now = 60_001;
    expect(attempts.isHeldUp('a')).toBe(false);
    attempts.fail('a');
    expect(attempts.isHeldUp('a')).toBe(false);
  });
  test('of many addresses do not fill the memory', () => {
    const attempts = new Attempts(() => 0);
    for (let k = 0; k < 5; k++) attempts.fail('first');
    for (let i = 0; i < 1000; i++) attempts.fail(`a${i}`);
    expect(attempts.isHeldUp('first')).toBe(false);
  });
});

describe('letters and links', () => {
  test('are long enough, and leave out letters that look like others', () => {
    const codes = new Set(Array.from({ length: 200 }, makeCode));
    expect(codes.size).toBeGreaterThan(195);
    for (const code of codes) expect(code).toMatch(/^[A-HJ-NP-Z]{6}$/);
    expect(makeToken()).toMatch(/^[0-9a-f]{32}$/);
    expect([isSame('AB', 'AB'), isSame('AB', 'AC'), isSame('A', 'AB'), isSame('', 'AB')]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
  test('what is said on a screen is text', () => {
    expect(typingScreen('<b>&')).toContain('&lt;b>&amp;');
  });
});

describe('devices', () => {
  test('wait until they are let in; three of one address at most, and those that have gone make room', () => {
    let now = 0;
    const devices = new Devices(() => now);
    const first = present(devices.add('a', PHONE));
    expect(devices.list()).toMatchObject([{ name: 'iPhone, Safari', state: 'waits', address: 'a' }]);
    devices.add('a', '');
    devices.add('a', '');
    expect(devices.add('a', '')).toBeNull();
    expect(devices.add('b', '')).not.toBeNull();
    devices.admit(first.id, true);
    now = 11_000;
    expect(devices.add('a', '')).not.toBeNull();
    expect(devices.list().map((d) => d.state)).toEqual(['away', 'waits']);
    devices.admit(first.id, false);
    expect(devices.find(first.secret)).toBeUndefined();
  });
  test('may say thirty things a second', () => {
    let now = 0;
    const devices = new Devices(() => now);
    const device = present(devices.add('a', ''));
    const heard = Array.from({ length: 40 }, () => devices.mayWord(device));
    expect(heard.filter(Boolean)).toHaveLength(30);
    now = 1001;
    expect(devices.mayWord(device)).toBe(true);
  });
});

describe('a show', () => {
  const source: ShowSource = {
    takeId: 't',
    revision: () => Promise.resolve(1),
    make: () => Promise.resolve({ entry: 'index.html', files: new Map(), outside: false }),
  };
  const answers = (url: string) =>
    fetch(url).then(
      () => true,
      () => false,
    );
  const begin = async (show: Show) => present((await show.start(source, '127.0.0.1')).running).url;
  const look = async (show: Show) => {
    await show.look();
    return show.state().ended;
  };

  test('ends after 30 minutes without anybody, though its screen is open', async () => {
    let now = 0;
    const show = new Show(
      () => '',
      () => now,
    );
    const url = await begin(show);
    now = 29 * 60_000;
    show.follow('follows', 0.5);
    now = 58 * 60_000;
    show.state();
    expect(await look(show)).toBeNull();
    expect(show.isRunning).toBe(true);
    now = 60 * 60_000;
    show.state();
    expect(await look(show)).toBe('Nothing happened for 30 minutes.');
    expect(await answers(url)).toBe(false);
  });
  test('ends with its screen', async () => {
    let now = 0;
    const show = new Show(
      () => '',
      () => now,
    );
    await begin(show);
    now = 15_001;
    expect(await look(show)).toBe('The screen that showed it was closed.');
  });
  test('of two starts at once one is left, and no listener behind it', async () => {
    const show = new Show(() => '');
    const urls = await Promise.all([begin(show), begin(show)]);
    const open = await Promise.all(urls.map(answers));
    expect(open.filter(Boolean)).toHaveLength(1);
    show.stop('It was stopped.');
    expect(await Promise.all(urls.map(answers))).toEqual([false, false]);
  });
  test('is on an address of this machine only', async () => {
    await expect(new Show(() => '').start(source, '192.0.2.1')).rejects.toThrow('none of its addresses');
  });
});
