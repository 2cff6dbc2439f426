import { ASPECT_KEYS, RULE_KINDS } from '@ample-crane/core';
import { describe, expect, test } from '@jest/globals';
import { getMetadataStorage } from 'class-validator';
import { OperationDto } from './route.dto.ts';
import { RULES } from './rules/index.ts';

describe('the route language as it comes in', () => {
  test('has a field for every aspect of a step', () => {
    const checked = getMetadataStorage()
      .getTargetValidationMetadatas(OperationDto, '', false, false)
      .map((m) => m.propertyName);
    expect(ASPECT_KEYS.filter((key) => !checked.includes(key))).toEqual([]);
  });
  test('has a class for every kind of rule', () => {
    expect(Object.keys(RULES()).sort()).toEqual([...RULE_KINDS].sort());
  });
});
