import { describe, expect, it } from 'vitest'
import { narrowed } from './narrowed'

describe('pasted lines', () => {
  it('lose the blanks that all rows of a table share, and keep their columns', () => {
    expect(
      narrowed([
        'C:\\> arp -a',
        'Interface: 192.168.31.104 --- 0x7',
        '  Internet Address      Physical Address      Type',
        '  192.168.31.1          00-00-5e-00-53-01     dynamic',
        '  192.168.31.255        ff-ff-ff-ff-ff-ff     static',
      ]),
    ).toEqual([
      'C:\\> arp -a',
      'Interface: 192.168.31.104 --- 0x7',
      '  Internet Address  Physical Address   Type',
      '  192.168.31.1      00-00-5e-00-53-01  dynamic',
      '  192.168.31.255    ff-ff-ff-ff-ff-ff  static',
    ])
  })
  it('that are no table stay as they are', () => {
    const lines = ['PING 192.168.31.1', '   Physical Address. . . : 00-00-5E-00-53-31', 'a  b  c']
    expect(narrowed(lines)).toEqual(lines)
  })
})
