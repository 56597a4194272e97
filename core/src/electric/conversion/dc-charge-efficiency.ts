/**
 * Share of the power at solar inputs of a battery's inverter that the cells take up: a DC converter and the cells' own loss while they charge
 * (common practice, no source).
 */
export const dcChargeEfficiency = 0.97;
