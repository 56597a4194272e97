import type { Language } from '../document/paper-request.schema.js';
import type { OutageWeather } from '../../design/index.js';

/** Everything a proposal says. What stands in braces is put in; see {@link fillWords}. */
export interface ProposalWords {
  readonly title: string;
  readonly forWhom: string;
  readonly wishes: string;
  readonly asked: string;
  readonly askedRuntime: string;
  readonly askedRuntimeAssumed: string;
  readonly askedWeather: Readonly<Record<OutageWeather, string>>;
  readonly askedSun: string;
  readonly askedPeak: string;
  readonly askedHands: string;
  readonly askedNoHands: string;
  readonly askedLater: string;
  readonly designs: string;
  readonly lasts: string;
  readonly lastsNote: string;
  readonly usually: string;
  readonly chance: string;
  readonly chanceNote: string;
  readonly priceShort: string;
  readonly priceShortNote: string;
  readonly stores: string;
  readonly gives: string;
  readonly equipment: string;
  readonly sun: string;
  readonly generator: string;
  readonly generatorSelf: string;
  readonly generatorHand: string;
  readonly stays: string;
  readonly itself: string;
  readonly byHand: string;
  readonly dark: string;
  readonly nothing: string;
  readonly none: string;
  readonly all: string;
  readonly offFirst: string;
  readonly offFirstText: string;
  readonly fallsShort: string;
  readonly seasons: string;
  readonly seasonsNote: string;
  readonly winter: string;
  readonly shoulder: string;
  readonly summer: string;
  readonly half: string;
  readonly chances: string;
  readonly chancesHours: string;
  readonly energyPower: string;
  readonly energyText: string;
  readonly powerText: string;
  readonly energyExample: string;
  readonly powerExample: string;
  readonly whyNotAll: string;
  readonly whyNotAllText: string;
  readonly biggest: string;
  readonly perDay: string;
  readonly whileRuns: string;
  readonly notIncluded: string;
  readonly notNewArray: string;
  readonly notUtility: string;
  readonly notRepairs: string;
  readonly price: string;
  readonly priceItem: string;
  readonly system: string;
  readonly systemNote: string;
  readonly total: string;
  readonly after: string;
  readonly incentiveNote: string;
  readonly estimated: string;
  readonly payments: string;
  readonly acceptance: string;
  readonly valid: string;
  readonly acceptText: string;
  readonly acceptWhich: string;
  readonly signature: string;
  readonly place: string;
  readonly forCompany: string;
  readonly terms: string;
  readonly caution: string;
}

export const proposalWords: Readonly<Record<Language, ProposalWords>> = {
  en: {
    title: 'Proposal for backup power',
    forWhom: 'For',
    wishes: 'What you asked for',
    asked: 'This proposal is worked out for your house, load by load. It rests on what you told us:',
    askedRuntime: 'In an outage the house should run for {hours}, in {season}.',
    askedRuntimeAssumed:
      'Nobody has said how long an outage should be bridged; we took {hours}, in {season}.',
    askedWeather: {
      'no-sun': 'No help from the sun is counted on.',
      hard: 'Hard weather counts: 19 of 20 outages are to be got through.',
      usual: 'Usual weather counts: half of the outages are to be got through.',
    },
    askedSun: 'You want to use more of your own solar energy.',
    askedPeak: 'You want to use less energy when it is dear.',
    askedHands: 'Somebody is there who switches things off.',
    askedNoHands: 'It should work though nobody is home.',
    askedLater: 'Later there may come: {names}.',
    designs: 'What we propose',
    lasts: 'Lasts at least',
    lastsNote: '19 of 20 outages in {season}',
    usually: 'Usually',
    chance: 'Chance to last {hours}',
    chanceNote: 'of outages in {season}',
    priceShort: 'Price',
    priceShortNote: 'with tax, after incentives',
    stores: 'Stores',
    gives: 'Gives at once',
    equipment: 'Equipment',
    sun: 'Solar',
    generator: 'Generator',
    generatorSelf: '{power}, starts by itself',
    generatorHand: '{power}, started by hand',
    stays: 'Stays on',
    itself: 'Switched off by itself when there is too little',
    byHand: 'For you to switch off',
    dark: 'Stays dark',
    nothing: 'nothing',
    none: 'none',
    all: 'everything in the house',
    offFirst: 'To make it last',
    offFirstText: 'Switch off first: {names}.',
    fallsShort:
      'This design does not reach what you asked for: 19 of 20 outages last at least {hours} of {required}.',
    seasons: 'How long it lasts through the year',
    seasonsNote:
      'Outages that begin at any hour of the season, simulated minute by minute over {years} years of weather. Dark bar: 19 of 20 outages last at least so long. Light bar: half of them do.',
    winter: 'Winter',
    shoulder: 'Spring, autumn',
    summer: 'Summer',
    half: 'half',
    chances: 'How many outages of a given length are got through',
    chancesHours: 'Outage of',
    energyPower: 'Energy and power: two different things',
    energyText:
      'A battery is like a tank. How much it holds is its energy, in kilowatt-hours (kWh). Energy decides how long the house runs.',
    powerText:
      'How fast it can be emptied is its power, in kilowatts (kW). Power decides what can run at the same time, and whether a motor starts. A full battery still trips when too much is on at once.',
    energyExample:
      'In your house: what stays on takes about {energy} on a day in {season}. The battery gives {usable} after {years} years.',
    powerExample: 'Together it rarely takes more than {demand} at once. The system gives {limit}.',
    whyNotAll: 'Why not everything?',
    whyNotAllText:
      'A few big things take most of the energy. Leaving them off for a day or two costs little comfort and makes the battery last; keeping them on needs a battery several times as large.',
    biggest: 'The largest in your house',
    perDay: 'Energy a day',
    whileRuns: 'Power while it runs',
    notIncluded: 'What is not included',
    notNewArray: 'Work on the solar array that is there.',
    notUtility: 'Charges of the utility, and changes to its service, beyond the fees listed.',
    notRepairs: 'Repairs of old wiring that come to light, unless listed.',
    price: 'Price',
    priceItem: 'What',
    system: 'System, delivered, installed and commissioned',
    systemNote: 'Included: {names}; wiring, devices and labels as designed; commissioning and handover.',
    total: 'Total',
    after: 'After incentives',
    incentiveNote: 'Incentives are paid by others and are not ours to promise.',
    estimated: 'Wire and conduit are estimated by length.',
    payments: 'Payment',
    acceptance: 'Acceptance',
    valid: 'This proposal is valid until {day}.',
    acceptText: 'We accept the design marked here, at its price and on the terms above.',
    acceptWhich: '{design}: {price}',
    signature: 'Name and signature of the household',
    place: 'Place and date',
    forCompany: 'For {company}',
    terms: 'Terms',
    caution:
      'Hours are estimates from a simulation of this house and promise nothing. All work is done to local code by licensed people. Medical equipment needs a plan of its own.',
  },
  es: {
    title: 'Propuesta de energía de respaldo',
    forWhom: 'Para',
    wishes: 'Lo que nos pidió',
    asked: 'Esta propuesta se calculó para su casa, aparato por aparato. Se basa en lo que nos dijo:',
    askedRuntime: 'En un apagón la casa debe funcionar {hours}, en {season}.',
    askedRuntimeAssumed: 'Nadie indicó cuánto debe durar; tomamos {hours}, en {season}.',
    askedWeather: {
      'no-sun': 'No se cuenta con el sol.',
      hard: 'Cuenta el mal tiempo: deben superarse 19 de cada 20 apagones.',
      usual: 'Cuenta el tiempo habitual: debe superarse la mitad de los apagones.',
    },
    askedSun: 'Quiere usar más de su propia energía solar.',
    askedPeak: 'Quiere gastar menos cuando la energía es cara.',
    askedHands: 'Hay alguien que apaga aparatos.',
    askedNoHands: 'Debe funcionar aunque no haya nadie en casa.',
    askedLater: 'Más adelante puede venir: {names}.',
    designs: 'Lo que proponemos',
    lasts: 'Dura al menos',
    lastsNote: '19 de cada 20 apagones en {season}',
    usually: 'Normalmente',
    chance: 'Probabilidad de durar {hours}',
    chanceNote: 'de los apagones en {season}',
    priceShort: 'Precio',
    priceShortNote: 'con impuestos, tras ayudas',
    stores: 'Almacena',
    gives: 'Da a la vez',
    equipment: 'Equipo',
    sun: 'Solar',
    generator: 'Generador',
    generatorSelf: '{power}, arranca solo',
    generatorHand: '{power}, se arranca a mano',
    stays: 'Queda encendido',
    itself: 'Se apaga solo cuando falta energía',
    byHand: 'Lo apaga usted',
    dark: 'Queda apagado',
    nothing: 'nada',
    none: 'ninguno',
    all: 'todo en la casa',
    offFirst: 'Para que dure',
    offFirstText: 'Apague primero: {names}.',
    fallsShort:
      'Este diseño no llega a lo que pidió: 19 de cada 20 apagones duran al menos {hours} de {required}.',
    seasons: 'Cuánto dura a lo largo del año',
    seasonsNote:
      'Apagones que empiezan a cualquier hora de la estación, simulados minuto a minuto con {years} años de tiempo. Barra oscura: 19 de cada 20 duran al menos eso. Barra clara: la mitad.',
    winter: 'Invierno',
    shoulder: 'Primavera, otoño',
    summer: 'Verano',
    half: 'la mitad',
    chances: 'Cuántos apagones de una duración se superan',
    chancesHours: 'Apagón de',
    energyPower: 'Energía y potencia: dos cosas distintas',
    energyText:
      'Una batería es como un depósito. Lo que cabe es su energía, en kilovatios hora (kWh). La energía decide cuánto tiempo funciona la casa.',
    powerText:
      'La rapidez con que se vacía es su potencia, en kilovatios (kW). La potencia decide qué puede funcionar a la vez y si arranca un motor. Una batería llena también salta si hay demasiado encendido.',
    energyExample:
      'En su casa: lo que queda encendido gasta unos {energy} en un día de {season}. La batería da {usable} tras {years} años.',
    powerExample: 'Todo junto rara vez toma más de {demand} a la vez. El sistema da {limit}.',
    whyNotAll: '¿Por qué no todo?',
    whyNotAllText:
      'Unos pocos aparatos grandes gastan casi toda la energía. Prescindir de ellos uno o dos días cuesta poca comodidad y hace durar la batería; mantenerlos pide una batería varias veces mayor.',
    biggest: 'Los mayores de su casa',
    perDay: 'Energía al día',
    whileRuns: 'Potencia en marcha',
    notIncluded: 'Lo que no está incluido',
    notNewArray: 'Trabajos en la instalación solar existente.',
    notUtility: 'Cargos de la compañía eléctrica y cambios en su acometida, salvo las tasas indicadas.',
    notRepairs: 'Reparaciones de cableado antiguo que aparezcan, salvo que se indiquen.',
    price: 'Precio',
    priceItem: 'Concepto',
    system: 'Sistema entregado, instalado y puesto en marcha',
    systemNote:
      'Incluye: {names}; cableado, protecciones y rótulos según el diseño; puesta en marcha y entrega.',
    total: 'Total',
    after: 'Tras ayudas',
    incentiveNote: 'Las ayudas las pagan otros y no podemos prometerlas.',
    estimated: 'Cable y tubo se estiman por longitud.',
    payments: 'Pago',
    acceptance: 'Aceptación',
    valid: 'Esta propuesta es válida hasta el {day}.',
    acceptText: 'Aceptamos el diseño marcado aquí, a su precio y con las condiciones anteriores.',
    acceptWhich: '{design}: {price}',
    signature: 'Nombre y firma',
    place: 'Lugar y fecha',
    forCompany: 'Por {company}',
    terms: 'Condiciones',
    caution:
      'Las horas son estimaciones de una simulación de esta casa y no prometen nada. Todo el trabajo lo hacen profesionales autorizados según las normas locales. Los equipos médicos necesitan un plan propio.',
  },
  de: {
    title: 'Angebot für Notstrom',
    forWhom: 'Für',
    wishes: 'Was Sie sich wünschen',
    asked:
      'Dieses Angebot ist für Ihr Haus gerechnet, Gerät für Gerät. Es beruht auf dem, was Sie uns gesagt haben:',
    askedRuntime: 'Im Ausfall soll das Haus {hours} laufen, im {season}.',
    askedRuntimeAssumed:
      'Wie lange ein Ausfall überbrückt werden soll, ist offen; gerechnet ist mit {hours}, im {season}.',
    askedWeather: {
      'no-sun': 'Mit Sonne wird nicht gerechnet.',
      hard: 'Hartes Wetter zählt: 19 von 20 Ausfällen sollen überstanden werden.',
      usual: 'Übliches Wetter zählt: die Hälfte der Ausfälle soll überstanden werden.',
    },
    askedSun: 'Sie wollen mehr vom eigenen Solarstrom selbst nutzen.',
    askedPeak: 'Sie wollen weniger Strom kaufen, wenn er teuer ist.',
    askedHands: 'Jemand ist da, der Geräte abschaltet.',
    askedNoHands: 'Es soll gehen, ohne dass jemand zu Hause ist.',
    askedLater: 'Später kommt vielleicht dazu: {names}.',
    designs: 'Was wir vorschlagen',
    lasts: 'Reicht mindestens',
    lastsNote: '19 von 20 Ausfällen im {season}',
    usually: 'Meistens',
    chance: 'Reicht {hours}',
    chanceNote: 'der Ausfälle im {season}',
    priceShort: 'Preis',
    priceShortNote: 'mit Steuer, nach Förderung',
    stores: 'Speichert',
    gives: 'Gibt auf einmal',
    equipment: 'Ausrüstung',
    sun: 'Solar',
    generator: 'Generator',
    generatorSelf: '{power}, startet von selbst',
    generatorHand: '{power}, von Hand gestartet',
    stays: 'Bleibt an',
    itself: 'Schaltet sich ab, wenn es knapp wird',
    byHand: 'Schalten Sie ab',
    dark: 'Bleibt aus',
    nothing: 'nichts',
    none: 'keine',
    all: 'alles im Haus',
    offFirst: 'Damit es reicht',
    offFirstText: 'Zuerst abschalten: {names}.',
    fallsShort:
      'Dieser Entwurf erreicht nicht, was Sie wünschen: 19 von 20 Ausfällen werden mindestens {hours} von {required} überstanden.',
    seasons: 'Wie lange es übers Jahr reicht',
    seasonsNote:
      'Ausfälle, die zu jeder Stunde der Jahreszeit beginnen, Minute für Minute simuliert mit {years} Jahren Wetter. Dunkler Balken: 19 von 20 reichen mindestens so lange. Heller Balken: die Hälfte.',
    winter: 'Winter',
    shoulder: 'Frühling, Herbst',
    summer: 'Sommer',
    half: 'die Hälfte',
    chances: 'Wie viele Ausfälle einer Dauer überstanden werden',
    chancesHours: 'Ausfall von',
    energyPower: 'Energie und Leistung: zwei verschiedene Dinge',
    energyText:
      'Eine Batterie ist wie ein Tank. Wie viel hineingeht, ist ihre Energie, in Kilowattstunden (kWh). Die Energie entscheidet, wie lange das Haus läuft.',
    powerText:
      'Wie schnell sie sich leeren lässt, ist ihre Leistung, in Kilowatt (kW). Die Leistung entscheidet, was zugleich laufen kann und ob ein Motor anläuft. Auch eine volle Batterie schaltet ab, wenn zu viel zugleich läuft.',
    energyExample:
      'In Ihrem Haus: was an bleibt, braucht etwa {energy} an einem Tag im {season}. Die Batterie gibt nach {years} Jahren {usable}.',
    powerExample: 'Zusammen ist es selten mehr als {demand} auf einmal. Die Anlage gibt {limit}.',
    whyNotAll: 'Warum nicht alles?',
    whyNotAllText:
      'Wenige große Geräte brauchen die meiste Energie. Ein, zwei Tage ohne sie kosten wenig Komfort und lassen die Batterie reichen; sie an zu lassen verlangt eine mehrmals so große Batterie.',
    biggest: 'Die größten in Ihrem Haus',
    perDay: 'Energie am Tag',
    whileRuns: 'Leistung im Betrieb',
    notIncluded: 'Was nicht enthalten ist',
    notNewArray: 'Arbeiten an der bestehenden Solaranlage.',
    notUtility: 'Kosten des Netzbetreibers und Änderungen an seinem Anschluss, außer den genannten Gebühren.',
    notRepairs: 'Reparaturen alter Leitungen, die sich zeigen, wenn sie nicht genannt sind.',
    price: 'Preis',
    priceItem: 'Was',
    system: 'Anlage, geliefert, eingebaut und in Betrieb genommen',
    systemNote:
      'Enthalten: {names}; Leitungen, Schutzgeräte und Schilder nach Entwurf; Inbetriebnahme und Übergabe.',
    total: 'Summe',
    after: 'Nach Förderung',
    incentiveNote: 'Förderungen zahlen andere; versprechen können wir sie nicht.',
    estimated: 'Leitung und Rohr sind nach Länge geschätzt.',
    payments: 'Zahlung',
    acceptance: 'Annahme',
    valid: 'Dieses Angebot gilt bis {day}.',
    acceptText: 'Wir nehmen den hier angekreuzten Entwurf zu seinem Preis und den genannten Bedingungen an.',
    acceptWhich: '{design}: {price}',
    signature: 'Name und Unterschrift',
    place: 'Ort und Datum',
    forCompany: 'Für {company}',
    terms: 'Bedingungen',
    caution:
      'Die Stunden sind Schätzungen aus einer Simulation dieses Hauses und keine Zusage. Alle Arbeiten geschehen nach den örtlichen Vorschriften durch zugelassene Fachleute. Medizinische Geräte brauchen einen eigenen Plan.',
  },
};
