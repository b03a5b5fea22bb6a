import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { validate, type ValidationError } from 'class-validator';
import { Refusal } from './problem.ts';

function faultsOf(errors: ValidationError[], path = ''): { path: string; sentence: string }[] {
  return errors.flatMap((error) => {
    const here = `${path}/${error.property}`;
    const own = Object.values(error.constraints ?? {})
      .slice(0, 1)
      .map((sentence) => ({ path: here, sentence }));
    return [...own, ...faultsOf(error.children ?? [], here)];
  });
}

/** Reads unknown data as a request class, or refuses it with every fault. */
export async function validated<T extends object>(
  shape: ClassConstructor<T>,
  data: unknown,
  status = 422,
): Promise<T> {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) {
    throw new Refusal(status, 'The request is not a JSON object. Nothing was changed.');
  }
  let instance: T;
  try {
    instance = plainToInstance(shape, data);
  } catch {
    throw new Refusal(status, 'The request has a shape that cannot be read. Nothing was changed.');
  }
  const errors = await validate(instance, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
  });
  if (errors.length > 0) {
    const faults = faultsOf(errors);
    throw new Refusal(status, `${faults[0]?.sentence ?? 'The request is not valid.'} Nothing was changed.`, {
      faults,
    });
  }
  return instance;
}
