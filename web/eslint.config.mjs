import hooks from 'eslint-plugin-react-hooks';
import typescript from 'typescript-eslint';

export default typescript.config(
  { ignores: ['src/api/schema.d.ts'] },
  ...typescript.configs.recommended,
  hooks.configs.flat.recommended,
);
