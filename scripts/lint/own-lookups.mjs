/**
 * Reports `table[name]` where the table takes names of any kind and the name is any text, or is only said to be an id (`as NodeId`).
 * Every object also has `constructor` and `toString`: such a table is asked with `lookup(table, name)`, or is a `Map`.
 */
import { ESLintUtils } from '@typescript-eslint/utils';
import ts from 'typescript';

const parts = (type) => (type.isUnion() ? type.types : [type]);

const isAnyText = (type) => parts(type).some(({ flags }) => (flags & ts.TypeFlags.String) !== 0);

/** Whether a place is written to, or removed. */
function isWritten({ parent, ...node }) {
  if (parent.type === 'AssignmentExpression') return parent.left.range === node.range;
  return parent.type === 'UnaryExpression' && parent.operator === 'delete';
}

export const ownLookups = ESLintUtils.RuleCreator.withoutDocs({
  meta: {
    type: 'problem',
    messages: { bare: 'The name may be “constructor”: use lookup(table, name), or a Map.' },
    schema: [],
  },
  defaultOptions: [],
  create(context) {
    const services = ESLintUtils.getParserServices(context);
    const checker = services.program.getTypeChecker();
    const takesAnyName = (node) =>
      parts(checker.getNonNullableType(services.getTypeAtLocation(node))).some(
        (type) =>
          !checker.isArrayType(type) && checker.getIndexInfoOfType(type, ts.IndexKind.String) !== undefined,
      );
    return {
      MemberExpression(node) {
        const { object, property, computed, optional } = node;
        if (!computed || property.type === 'Literal' || property.type === 'TemplateLiteral') return;
        if (isWritten(node)) return;
        const isClaimed =
          property.type === 'TSAsExpression' && !isAnyText(services.getTypeAtLocation(property));
        const isBare = isClaimed || (takesAnyName(object) && isAnyText(services.getTypeAtLocation(property)));
        if (!isBare) return;
        context.report({ node, messageId: 'bare' });
      },
    };
  },
});
