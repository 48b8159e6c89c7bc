import type { Case } from './samples.ts'

/** What is seen of a cast or a mould when it is opened. All of them: common practice, no source. */
export const mouldCases: Case[] = [
  {
    tells: 'The thin spire snapped off while it was pulled out; it was hard and had its time.',
    fault: 'broken at demoulding',
    place: { tip: true },
    facts: { demouldedAt: 1.4, locked: false },
    cause: 'forced out',
  },
  {
    tells: 'The arm broke again where it has to bend round the rim: the cut ends short of it.',
    fault: 'broken at demoulding',
    repeated: { seen: 3, of: 4 },
    facts: { demouldedAt: 1.3, locked: true },
    cause: 'opening too short',
  },
  {
    tells: 'It bent and cracked at the neck: out at half its time.',
    fault: 'broken at demoulding',
    beside: ['bent'],
    facts: { demouldedAt: 0.5 },
    cause: 'demoulded early',
  },
  {
    tells: 'The mould tore on from the end of its cut, a little more each pull.',
    fault: 'torn mould',
    repeated: { seen: 3, of: 3 },
    facts: { locked: true, worn: 0.3 },
    cause: 'opening too short',
  },
  {
    tells: 'The silicone tore at a thin web; it has given most of its pulls.',
    fault: 'torn mould',
    facts: { worn: 0.95, locked: false },
    cause: 'worn mould',
  },
  {
    tells: 'Fine grooves are filled and soft since a heavier spray was used.',
    fault: 'detail lost',
    place: { skin: true, spread: true },
    facts: { released: true, dusted: false, inMaster: false },
    cause: 'too much release',
  },
  {
    tells:
      'The scales are soft in every cast, and they are soft in the master: its primer was thick.',
    fault: 'detail lost',
    repeated: { seen: 5, of: 5 },
    facts: { inMaster: true, released: false },
    cause: 'seen in the master',
  },
  {
    tells: 'The skin is matt all over; it was powdered, nothing else was done.',
    fault: 'dull skin',
    place: { skin: true, spread: true },
    facts: { dusted: true, released: false, worn: 0.2, inMaster: false },
    cause: 'dusted too thickly',
  },
  {
    tells: 'Gloss went over the last ten pulls; the mould is at its end.',
    fault: 'dull skin',
    place: { skin: true },
    facts: { worn: 0.95, dusted: false, released: false },
    cause: 'worn mould',
  },
  {
    tells: 'A grey smear on the skin: the mould lay open in the workshop and was not wiped.',
    fault: 'stain',
    place: { skin: true },
    repeated: { seen: 0, of: 4 },
    facts: { wiped: false, dyedBefore: false },
    cause: 'mould not wiped',
  },
  {
    tells:
      'Clear casts come out bluish since a navy one was made in this mould. It is wiped each time.',
    fault: 'stain',
    place: { skin: true },
    repeated: { seen: 4, of: 5 },
    facts: { wiped: true, dyedBefore: true },
    cause: 'dye in the mould',
  },
  {
    tells: 'The top is low and hollow: it dripped from the seam while it stood.',
    fault: 'pocket near the gate',
    place: { upper: true, port: true },
    facts: { leaked: true, bands: 1, overfilled: true, syringe: false },
    cause: 'leaked at the seam',
  },
  {
    tells: 'Bubbles grew in it after the compressor stopped in the middle.',
    fault: 'fine bubbles',
    place: { spread: true },
    facts: {
      resin: 'urethane',
      pressure: 2.8e5,
      pressureAt: 0.5,
      heldUntil: 1,
      lostPressure: true,
    },
    cause: 'pressure was lost',
  },
  {
    tells: 'One side of the hollow head is a millimetre thick, the other six: turned by hand.',
    fault: 'uneven wall',
    facts: { turned: true, pouredAt: 0.5 },
    cause: 'turned unevenly',
  },
  {
    tells:
      'The base of the hollow head is six millimetres, its crown one: the phone rang, and it lay still.',
    fault: 'uneven wall',
    facts: { turned: true, pouredAt: 0.5, turnedUntil: 0.7 },
    cause: 'stopped turning early',
  },
  {
    tells: 'Little holes in the ears and in the letters of the hollow bust, in every one of them.',
    fault: 'pinholes in details',
    place: { tip: true },
    facts: { turned: true, pouredAt: 0.5, prefilled: 0 },
    cause: 'details not brushed',
  },
  {
    tells: 'It does not ring: it is full, and twice as heavy as it should be.',
    fault: 'filled solid',
    facts: { turned: true, ofWall: 2.1, turnedUntil: 1.1 },
    cause: 'too much for the wall',
  },
  {
    tells: 'A window in the side of the second shot: the first had not gelled when it came.',
    fault: 'gap between shots',
    facts: { turned: true },
    told: { 'shot on a soft one': true },
    cause: 'next shot too early',
  },
]
