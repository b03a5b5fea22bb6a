import type { ServerResponse } from 'node:http';
import { SIGN } from '../../core/index.ts';
import { escaped, plainPage } from './answers.ts';
import type { Said } from './systemmessages.ts';

export type Way = keyof typeof SIGN;

/** Where visitors sign in or out: a stand-in, which asks for nothing but a name. */
export function signPage(
  response: ServerResponse,
  { lang, say }: Said,
  way: Way,
  name: string | undefined,
  back: string,
  fault = '',
): void {
  const form = (action: string, fields: string) =>
    `<form method="post" action="../${action}"><input type="hidden" name="back" value="${escaped(back)}">${fields}</form>`;
  const leave = `<p><a href="${escaped(back)}">${escaped(say('back'))}</a></p>`;
  const out = escaped(say('sign-out'));
  if (name !== undefined) {
    const more = form(SIGN.out, `<button>${out}</button>`) + leave;
    return plainPage(response, 200, say('sign-out'), say('signed-in', { name }), { more, lang });
  }
  if (way === 'out')
    return plainPage(response, 200, say('sign-out'), say('signed-out'), { more: leave, lang });
  const field = `<p><label>${escaped(say('name'))} <input name="name" autocomplete="username" required maxlength="80"></label> <button>${escaped(say('sign-in'))}</button></p>`;
  const more = (fault && `<p role="alert">${escaped(fault)}</p>`) + form(SIGN.in, field) + leave;
  plainPage(response, fault ? 400 : 200, say('sign-in'), say('stand-in'), { more, lang });
}
