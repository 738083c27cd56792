import type { Schemas, SystemBlock } from '../api/client'

export interface Verdict {
  lead: string
  strong: string
  tail: string
  detail: string
  short: boolean
}

type Duty = Schemas['DutyOut']
/** Of its own scale, from which a cost is said beside the verdict. */
const DEAR = 0.2

/** The check that decides first. */
export const governing = (block: SystemBlock) => block.checks.find((c) => c.id === block.governing?.check && c.duty === block.governing.duty)

/** A station's verdict line, from its governing check. */
export function verdict(block: SystemBlock, duties: Duty[]): Verdict {
  const name = (id: string) => {
    const found = duties.find((d) => d.id === id)?.name ?? ''
    return found.charAt(0).toLowerCase() + found.slice(1)
  }
  const missing = block.unknown.map((u) => u.name.toLowerCase()).join(', ')
  const worst = governing(block)
  if (!worst) return { lead: block.title, strong: 'is not known yet', tail: '.', detail: missing ? `Missing for: ${missing}.` : '', short: false }
  const where = worst.duty ? `: ${name(worst.duty)}` : ''
  const points = Math.round(Math.abs(worst.fill - 1) * 100)
  const plain = worst.duty ? worst.sentence : `${worst.name}: ${worst.sentence}`
  const dear = block.checks.filter((c) => c.class === 'cost' && c.fill > DEAR && worst.class !== 'cost').sort((a, b) => b.fill - a.fill)[0]
  const also = (dear ? ` What it costs: ${dear.sentence}` : '') + (missing ? ` Not known yet: ${missing}.` : '')
  if (worst.class === 'cost') {
    return { lead: block.title, strong: 'holds', tail: `, at a cost${where}.`, detail: plain + also, short: false }
  }
  if (worst.state === 'assumed') {
    return { lead: block.title, strong: 'rests on what nobody stated', tail: `${where}.`, detail: plain + also, short: false }
  }
  if (worst.fill > 1) {
    const strong = worst.fill >= 9.99 ? 'fails' : `runs ${points || '<1'} % over`
    return { lead: block.title, strong, tail: `${where}.`, detail: plain + also, short: true }
  }
  const lead = `${block.title} ${block.unknown.length ? 'as known' : ''}`.trim()
  const tight = block.state === 'tight'
  const full = Math.round(worst.fill * 100)
  return { lead, strong: tight ? 'holds, but not surely' : 'holds', tail: `, ${full ? `${full} % full at most` : 'with room to spare'}${where}.`, detail: plain + also, short: false }
}
