declare module 'fs-native-extensions' {
  /** Locks an open file for this process alone, as the operating system does: gone with the process. Whether it was free. */
  export function tryLock(fd: number): boolean;
  export function unlock(fd: number): void;
}
