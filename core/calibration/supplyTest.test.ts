import { describe, expect, it } from 'vitest';
import { judgeSupply } from './supplyTest';

const grade = (setVolts: number, lowestVolts: number): string => judgeSupply({ setVolts, lowestVolts }).grade;

describe('the supply test', () => {
  it('a sag of 0.1 to 0.2 V is healthy (common practice)', () => {
    expect([grade(6, 5.9), grade(6, 5.81), grade(7.4, 7.2)]).toEqual(['healthy', 'healthy', 'healthy']);
    expect(grade(6, 5.7)).toBe('weak');
  });

  it('a deep sag, or one that comes near to where receivers give up, is dangerous', () => {
    expect(grade(7.4, 6.7)).toBe('dangerous');
    expect(grade(4.8, 4.4)).toBe('dangerous');
    // 0.6 V of sag and one volt above where receivers give up are just not.
    expect([grade(7.4, 6.8), grade(7.4, 6.79)]).toEqual(['weak', 'dangerous']);
    expect([grade(4.8, 4.5), grade(4.8, 4.49)]).toEqual(['weak', 'dangerous']);
  });

  it('says what it was judged against and what to do next', () => {
    const { reason, next, sagVolts } = judgeSupply({ setVolts: 6, lowestVolts: 5.2 });
    expect(sagVolts).toBeCloseTo(0.8, 9);
    expect(reason).toBe(
      'It sagged by 0.8 V; 0.1 to 0.2 V is healthy. Many receivers fail near 3.5 V; 1.7 V were left.',
    );
    expect(next[0]).toContain('one by one');
  });

  it('a reading above what is set is a meter’s error, or a wrong number', () => {
    expect(judgeSupply({ setVolts: 6, lowestVolts: 6.1 }).sagVolts).toBe(0);
    expect(() => judgeSupply({ setVolts: 6, lowestVolts: 7.4 })).toThrow(RangeError);
    // Two meters may differ by 0.15 V.
    expect(judgeSupply({ setVolts: 6, lowestVolts: 6.15 }).sagVolts).toBe(0);
    expect(() => judgeSupply({ setVolts: 6, lowestVolts: 6.16 })).toThrow(RangeError);
  });
});
