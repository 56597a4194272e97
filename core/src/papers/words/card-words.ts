import type { Season } from '../../nature/index.js';
import type { Language } from '../document/paper-request.schema.js';

/** Everything an outage card says. What stands in braces is put in; see {@link fillWords}. */
export interface CardWords {
  readonly title: string;
  readonly hours: string;
  readonly charge: string;
  readonly essentialsOnly: string;
  readonly everything: string;
  readonly about: string;
  readonly noSun: string;
  readonly withSun: string;
  readonly hoursNote: string;
  readonly hoursMore: string;
  readonly seasons: Readonly<Record<Season, string>>;
  readonly on: string;
  readonly runs: string;
  readonly shedItself: string;
  readonly byHand: string;
  readonly dark: string;
  readonly none: string;
  readonly offFirst: string;
  readonly offFirstNote: string;
  readonly gains: string;
  readonly inSun: string;
  readonly offLast: string;
  readonly trip: string;
  readonly tripWhy: string;
  readonly tripOff: string;
  readonly tripTries: string;
  readonly tripOnce: string;
  readonly tripReset: string;
  readonly empty: string;
  readonly emptySun: string;
  readonly back: string;
  readonly gap: string;
  readonly gapNotStated: string;
  readonly gapNotice: string;
  readonly solarBack: string;
  readonly gridBack: string;
  readonly never: string;
  readonly neverPlug: string;
  readonly neverCover: string;
  readonly neverCharge: string;
  readonly emergency: string;
  readonly fire: string;
  readonly shutDown: string;
  readonly shutDownNone: string;
  readonly stillLive: string;
  readonly call: string;
  readonly callUnknown: string;
  readonly caution: string;
}

export const cardWords: Readonly<Record<Language, CardWords>> = {
  en: {
    title: 'When the power goes out',
    hours: 'How long it lasts',
    charge: 'Battery shows',
    essentialsOnly: 'Only what must run',
    everything: 'Everything that stays on',
    about: 'about {power} on average',
    noSun: 'no sun',
    withSun: 'with sun',
    hoursNote:
      'Hours to count on in {season}: 19 of 20 outages last at least so long, with a battery {years} years old. On most days it lasts longer.',
    hoursMore: '{hours} and more',
    seasons: { winter: 'winter', shoulder: 'spring and autumn', summer: 'summer' },
    on: 'What stays on, and what does not',
    runs: 'Runs',
    shedItself: 'Switched off by itself when there is too little',
    byHand: 'Runs unless you switch it off',
    dark: 'Stays dark',
    none: 'nothing',
    offFirst: 'Switch off first',
    offFirstNote: 'Each of these makes the battery last longer:',
    gains: '{name}: {hours} more',
    inSun: 'While the sun shines and the battery is nearly full, use what you like of: {names}.',
    offLast: 'Leave on as long as you can: {names}.',
    trip: 'If everything goes dark at once',
    tripWhy: 'Too much was on at the same time. The battery is not empty.',
    tripOff: 'Switch off or unplug {names}.',
    tripTries: 'Wait {wait}. The system tries again by itself, up to {tries} times.',
    tripOnce: 'The system does not try again by itself.',
    tripReset:
      'If it stays dark: switch the inverter off and on again as shown at handover, then add loads one by one.',
    empty: 'If the battery is empty, everything stays dark until the grid is back.',
    emptySun: 'If the battery is empty, the sun or a generator brings it back; or the grid.',
    back: 'What comes back, and when',
    gap: 'The house is on the battery within {gap}.',
    gapNotStated: 'The house is on the battery after a short gap; its length is not stated.',
    gapNotice: 'The gap is noticed by: {names}.',
    solarBack: 'Solar feeds again about {minutes} after the house is on the battery.',
    gridBack: 'When the grid is back it is watched for about {minutes} before the house returns to it.',
    never: 'Never',
    neverPlug: 'plug a generator into an outlet',
    neverCover: 'open a cover, or reset a breaker that trips again',
    neverCharge: 'charge a car from the battery in an outage',
    emergency: 'Emergency',
    fire: 'Smoke, fire, a hiss, a strange smell or water near the equipment: get out, keep away, call the fire service.',
    shutDown: 'To shut the system down from a safe place: open {names}.',
    shutDownNone: 'How the system is shut down is shown at handover.',
    stillLive: 'Wires from a solar array, and the battery itself, stay live.',
    call: 'Something is wrong? Call {phone}.',
    callUnknown: 'Something is wrong? Call your installer.',
    caution:
      'Hours are estimates from a simulation of this house. Keep a light and a telephone charged; medical equipment needs a plan of its own.',
  },
  es: {
    title: 'Cuando se va la luz',
    hours: 'Cuánto dura',
    charge: 'La batería indica',
    essentialsOnly: 'Solo lo imprescindible',
    everything: 'Todo lo que queda encendido',
    about: 'unos {power} de media',
    noSun: 'sin sol',
    withSun: 'con sol',
    hoursNote:
      'Horas seguras en {season}: 19 de cada 20 apagones se superan al menos tanto tiempo, con una batería de {years} años. La mayoría de los días dura más.',
    hoursMore: '{hours} o más',
    seasons: { winter: 'invierno', shoulder: 'primavera y otoño', summer: 'verano' },
    on: 'Qué queda encendido y qué no',
    runs: 'Funciona',
    shedItself: 'Se apaga solo cuando falta energía',
    byHand: 'Funciona si no lo apaga usted',
    dark: 'Queda apagado',
    none: 'nada',
    offFirst: 'Apague primero',
    offFirstNote: 'Con cada uno de estos apagado la batería dura más:',
    gains: '{name}: {hours} más',
    inSun: 'Mientras haya sol y la batería esté casi llena, use lo que quiera de: {names}.',
    offLast: 'Deje encendido mientras pueda: {names}.',
    trip: 'Si todo se apaga de golpe',
    tripWhy: 'Había demasiado encendido a la vez. La batería no está vacía.',
    tripOff: 'Apague o desenchufe {names}.',
    tripTries: 'Espere {wait}. El sistema lo intenta de nuevo solo, hasta {tries} veces.',
    tripOnce: 'El sistema no lo intenta de nuevo solo.',
    tripReset:
      'Si sigue apagado: apague y encienda el inversor como se mostró en la entrega y conecte los aparatos uno por uno.',
    empty: 'Si la batería está vacía, todo queda apagado hasta que vuelva la red.',
    emptySun: 'Si la batería está vacía, la recuperan el sol, un generador o la red.',
    back: 'Qué vuelve y cuándo',
    gap: 'La casa pasa a la batería en {gap}.',
    gapNotStated: 'La casa pasa a la batería tras un corte breve; su duración no se indica.',
    gapNotice: 'Notan el corte: {names}.',
    solarBack: 'La energía solar vuelve unos {minutes} después de que la casa pase a la batería.',
    gridBack: 'Cuando vuelve la red, se observa unos {minutes} antes de que la casa regrese a ella.',
    never: 'Nunca',
    neverPlug: 'conecte un generador a un enchufe',
    neverCover: 'abra una tapa ni rearme un interruptor que vuelve a saltar',
    neverCharge: 'cargue un coche con la batería durante un apagón',
    emergency: 'Emergencia',
    fire: 'Humo, fuego, silbidos, olor extraño o agua junto al equipo: salga, aléjese y llame a los bomberos.',
    shutDown: 'Para apagar el sistema desde un lugar seguro: abra {names}.',
    shutDownNone: 'En la entrega se muestra cómo apagar el sistema.',
    stillLive: 'Los cables de los paneles solares y la propia batería siguen con tensión.',
    call: '¿Algo va mal? Llame al {phone}.',
    callUnknown: '¿Algo va mal? Llame a su instalador.',
    caution:
      'Las horas son estimaciones de una simulación de esta casa. Tenga a mano una luz y un teléfono cargados; los equipos médicos necesitan un plan propio.',
  },
  de: {
    title: 'Wenn der Strom ausfällt',
    hours: 'Wie lange es reicht',
    charge: 'Batterie zeigt',
    essentialsOnly: 'Nur was laufen muss',
    everything: 'Alles, was an bleibt',
    about: 'im Mittel etwa {power}',
    noSun: 'ohne Sonne',
    withSun: 'mit Sonne',
    hoursNote:
      'Stunden, auf die im {season} Verlass ist: 19 von 20 Ausfällen werden mindestens so lange überstanden, mit einer Batterie von {years} Jahren. An den meisten Tagen reicht es länger.',
    hoursMore: '{hours} und mehr',
    seasons: { winter: 'Winter', shoulder: 'Frühling und Herbst', summer: 'Sommer' },
    on: 'Was an bleibt und was nicht',
    runs: 'Läuft',
    shedItself: 'Schaltet sich ab, wenn es knapp wird',
    byHand: 'Läuft, solange es niemand abschaltet',
    dark: 'Bleibt aus',
    none: 'nichts',
    offFirst: 'Zuerst abschalten',
    offFirstNote: 'Jedes davon lässt die Batterie länger reichen:',
    gains: '{name}: {hours} mehr',
    inSun: 'Solange die Sonne scheint und die Batterie fast voll ist, darf laufen: {names}.',
    offLast: 'So lange wie möglich an lassen: {names}.',
    trip: 'Wenn plötzlich alles dunkel wird',
    tripWhy: 'Es lief zu viel zugleich. Die Batterie ist nicht leer.',
    tripOff: 'Abschalten oder ausstecken: {names}.',
    tripTries: 'Warten Sie {wait}. Die Anlage versucht es von selbst wieder, bis zu {tries} Mal.',
    tripOnce: 'Die Anlage versucht es nicht von selbst wieder.',
    tripReset:
      'Bleibt es dunkel: den Wechselrichter aus- und einschalten, wie bei der Übergabe gezeigt, dann die Geräte einzeln dazunehmen.',
    empty: 'Ist die Batterie leer, bleibt alles aus, bis das Netz wieder da ist.',
    emptySun: 'Ist die Batterie leer, bringen Sonne, Generator oder Netz sie zurück.',
    back: 'Was wiederkommt, und wann',
    gap: 'Das Haus läuft nach höchstens {gap} aus der Batterie.',
    gapNotStated: 'Das Haus läuft nach einer kurzen Lücke aus der Batterie; wie kurz, ist nicht angegeben.',
    gapNotice: 'Die Lücke bemerken: {names}.',
    solarBack: 'Die Solaranlage speist etwa {minutes} später wieder ein.',
    gridBack: 'Ist das Netz wieder da, wird es etwa {minutes} beobachtet, bevor das Haus zurückkehrt.',
    never: 'Niemals',
    neverPlug: 'einen Generator an eine Steckdose anschließen',
    neverCover: 'eine Abdeckung öffnen oder einen Schalter einlegen, der wieder auslöst',
    neverCharge: 'im Ausfall ein Auto aus der Batterie laden',
    emergency: 'Notfall',
    fire: 'Rauch, Feuer, Zischen, fremder Geruch oder Wasser am Gerät: hinausgehen, fernbleiben, die Feuerwehr rufen.',
    shutDown: 'So wird die Anlage von sicherer Stelle abgeschaltet: {names} öffnen.',
    shutDownNone: 'Wie die Anlage abgeschaltet wird, wird bei der Übergabe gezeigt.',
    stillLive: 'Leitungen von Solarmodulen und die Batterie selbst bleiben unter Spannung.',
    call: 'Etwas stimmt nicht? Rufen Sie {phone} an.',
    callUnknown: 'Etwas stimmt nicht? Rufen Sie Ihren Installateur an.',
    caution:
      'Die Stunden sind Schätzungen aus einer Simulation dieses Hauses. Halten Sie Licht und Telefon geladen; medizinische Geräte brauchen einen eigenen Plan.',
  },
};
