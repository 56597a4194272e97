import Modbus from 'modbus-serial';

/** An answer that takes longer is lost, ms. */
const patienceMs = 900;
/** Building up a connection takes no longer, ms. */
const connectMs = 3000;

/** One connection over Modbus TCP; it asks one thing after the other. */
export class ModbusLine {
  private readonly client = new Modbus.default();
  private isOpen = false;

  constructor(
    private readonly host: string,
    private readonly port: number,
  ) {}

  /** @throws Error in words where nobody is there */
  async open(): Promise<void> {
    // An error beside any question would end the server.
    this.client.on('error', () => undefined);
    let timer: NodeJS.Timeout | undefined;
    const tooLong = new Promise<never>((_, reject) => {
      timer = setTimeout(
        () => reject(new Error(`Nobody answers at ${this.host}, port ${this.port}`)),
        connectMs,
      );
    });
    try {
      await Promise.race([this.client.connectTCP(this.host, { port: this.port }), tooLong]);
    } catch (error) {
      this.close();
      throw new Error(connectWords(error, this.host, this.port), { cause: error });
    } finally {
      clearTimeout(timer);
    }
    this.client.setTimeout(patienceMs);
    this.isOpen = true;
  }

  /** Is the connection still there? */
  get isConnected(): boolean {
    return this.isOpen && this.client.isOpen;
  }

  /**
   * Registers of a unit, from an address on.
   *
   * @throws Error in words
   */
  async read(unitId: number, address: number, count: number): Promise<number[]> {
    this.client.setID(unitId);
    const { data } = await this.client.readHoldingRegisters(address, count);
    return data;
  }

  close(): void {
    this.isOpen = false;
    this.client.destroy(() => undefined);
  }
}

function connectWords(error: unknown, host: string, port: number): string {
  const code =
    (error as { code?: unknown; errno?: unknown } | null)?.code ?? (error as { errno?: unknown })?.errno;
  if (code === 'ECONNREFUSED') return `${host} refuses port ${port}: is Modbus TCP switched on there?`;
  if (code === 'EHOSTUNREACH' || code === 'ENETUNREACH') return `There is no way to ${host}`;
  return error instanceof Error ? error.message : `Nobody answers at ${host}, port ${port}`;
}
