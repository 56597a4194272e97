import { at, engine, flow } from './outage-state.js';
import type { Generator } from '../../design/index.js';

/** A generator from minute to minute: starts and stops by the charge, warms up, keeps quiet hours, burns fuel. */
export class Engine {
  private readonly quiet = new Uint8Array(24);

  constructor(
    private readonly generator: Generator,
    private readonly usableWh: number,
  ) {
    const { quiet } = generator;
    if (quiet) for (let h = quiet.fromH; h !== quiet.toH; h = (h + 1) % 24) this.quiet[h] = 1;
  }

  /** Starts and stops it. Does it give power in this minute? */
  run(state: Float64Array, flows: Float64Array, clockHour: number): boolean {
    const { generator } = this;
    const share = state[at.chargeWh]! / this.usableWh;
    const allowed = this.quiet[clockHour] === 0 && state[at.fuelL]! > 0;
    if (state[at.engine] === engine.off) {
      if (share > generator.startBelow || state[at.fuelL]! <= 0) return false;
      if (generator.start === 'auto' && !allowed) return false;
      state[at.engine] = generator.start === 'auto' ? engine.warming : engine.called;
      state[at.engineMin] = 0;
    }
    if (state[at.engine] === engine.called) {
      state[at.engineMin]! += 1;
      if (state[at.engineMin]! <= generator.comesAfterMin || !allowed) return false;
      state[at.engine] = engine.warming;
      state[at.engineMin] = 0;
    }
    if (share >= generator.stopAbove || !allowed) {
      state[at.engine] = engine.off;
      return false;
    }
    if (state[at.engine] === engine.warming) {
      state[at.engineMin]! += 1;
      if (state[at.engineMin]! <= generator.warmUpMin) {
        this.burn(state, flows, 0);
        return false;
      }
      state[at.engine] = engine.running;
    }
    return true;
  }

  /** Burns the fuel of a minute at a power: between idling and full power on a straight line. */
  burn(state: Float64Array, flows: Float64Array, powerW: number): void {
    const { idleLPerH, fullLPerH, powerW: fullW } = this.generator;
    const perHour = idleLPerH + (fullLPerH - idleLPerH) * (powerW / fullW);
    const litres = Math.min(state[at.fuelL]!, Math.max(0, perHour) / 60);
    state[at.fuelL]! -= litres;
    flows[flow.fuelL] = litres;
  }
}
