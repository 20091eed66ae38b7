import { ArrivedLines } from './lines';

/** What is used of the Web Serial API; not every browser has it. */
interface Port {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}
interface Serial {
  requestPort: () => Promise<Port>;
}

const serial = (): Serial | undefined => (window.navigator as Navigator & { serial?: Serial }).serial;

export const hasPorts = () => serial() !== undefined;

/** A serial instrument that prints: read until it is let go, or pulled out. */
export class OpenPort {
  readonly lines = new ArrivedLines();
  private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  private read: Promise<void> | null = null;
  /** Why nothing comes any more; null while it is read. */
  gone: string | null = null;

  private constructor(private readonly port: Port) {}

  /** Asks the person which port it is. */
  static async chosen(baudRate: number): Promise<OpenPort> {
    const from = serial();
    if (!from) {
      throw new Error('This browser cannot read a serial port.');
    }
    const port = await from.requestPort();
    await port.open({ baudRate });
    const open = new OpenPort(port);
    open.read = open.drain();
    return open;
  }

  private async drain(): Promise<void> {
    try {
      this.reader = this.port.readable?.getReader() ?? null;
      for (;;) {
        const part = await this.reader?.read();
        if (!part || part.done) {
          break;
        }
        this.lines.add(part.value, performance.now());
      }
      this.gone ??= 'The port was closed.';
    } catch (broken) {
      this.gone = broken instanceof Error ? broken.message : 'The port was lost.';
    } finally {
      this.reader?.releaseLock();
    }
  }

  async letGo(): Promise<void> {
    await this.reader?.cancel().catch(() => undefined);
    await this.read;
    await this.port.close().catch(() => undefined);
  }
}
