/** What is free in the browser, bytes; null where it does not say. */
export async function freeBytes(): Promise<number | null> {
  const storage = (navigator as { storage?: StorageManager }).storage;
  const room = await storage?.estimate().catch(() => undefined);
  return room?.quota === undefined ? null : Math.max(0, room.quota - (room.usage ?? 0));
}
