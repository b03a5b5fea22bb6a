export const LINK_LIST = {
  margin: '0',
  padding: '0',
  'list-style': 'none',
  display: 'flex',
  'flex-wrap': 'wrap',
  gap: 'inherit',
};
