import { ServerTCP } from 'modbus-serial';
import type { Gateway } from './gateway.js';

/** Exceptions of the Modbus application protocol. */
const exceptions = { illegalAddress: 2, targetDoesNotRespond: 11 } as const;
const refusal = (code: number, text: string): Error =>
  Object.assign(new Error(text), { modbusErrorCode: code });

type Told<T> = (error: Error | null, value: T) => void;

/** The devices of a gateway over Modbus TCP. */
export function modbusGateway(gateway: Gateway, host: string, port: number): ServerTCP {
  const some = (address: number, count: number, unitId: number, tell: Told<number[]>): void => {
    // No word: the client gives up by itself.
    if (gateway.drops()) return;
    const registers = gateway.registers(unitId, address, count);
    if (registers) tell(null, registers);
    else if (registers === null)
      tell(refusal(exceptions.targetDoesNotRespond, 'No unit of this id answers'), []);
    else tell(refusal(exceptions.illegalAddress, 'There are no such registers'), []);
  };
  return new ServerTCP(
    {
      getHoldingRegister: (address: number, unitId: number, tell: Told<number>) => {
        some(address, 1, unitId, (error, [value = 0]) => tell(error, value));
      },
      getMultipleHoldingRegisters: some,
      setRegister: (address: number, value: number, unitId: number, tell: (error: Error | null) => void) => {
        tell(
          gateway.write(unitId, address, value)
            ? null
            : refusal(exceptions.illegalAddress, 'This register is not written'),
        );
      },
    },
    // 255: it answers for every unit id.
    { host, port, unitID: 255 },
  );
}
