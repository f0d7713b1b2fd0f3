import { SmallStorage } from './small-storage';

const denied = (): Storage => {
  throw new DOMException('Access is denied for this document.', 'SecurityError');
};

afterEach(() => {
  jest.restoreAllMocks();
  localStorage.clear();
});

test('what is put there outlives the page where the browser allows it', () => {
  const storage = new SmallStorage(() => localStorage);
  expect(storage.setItem('pomek.a', '1')).toBe(true);
  expect(localStorage.getItem('pomek.a')).toBe('1');
  expect(new SmallStorage(() => localStorage).getItem('pomek.a')).toBe('1');
  expect(storage.keys()).toEqual(['pomek.a']);
  storage.removeItem('pomek.a');
  expect([storage.getItem('pomek.a'), storage.keys()]).toEqual([null, []]);
});

test('where the browser denies it, it lasts as long as the page, and nothing throws', () => {
  const storage = new SmallStorage(denied);
  expect(storage.getItem('pomek.a')).toBeNull();
  expect(storage.setItem('pomek.a', '1')).toBe(false);
  expect([storage.getItem('pomek.a'), storage.keys()]).toEqual(['1', ['pomek.a']]);
  storage.removeItem('pomek.a');
  expect([storage.getItem('pomek.a'), storage.keys()]).toEqual([null, []]);
});

test('where there is no room, the new value holds on the page, and is stored once there is room again', () => {
  const storage = new SmallStorage(() => localStorage);
  storage.setItem('pomek.a', 'old');
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  expect(storage.setItem('pomek.a', 'new')).toBe(false);
  expect(storage.getItem('pomek.a')).toBe('new');
  full.mockRestore();
  expect(storage.setItem('pomek.a', 'newer')).toBe(true);
  expect(localStorage.getItem('pomek.a')).toBe('newer');
});
