import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";

const config = [
  { ignores: [".next/**", "node_modules/**", "next-env.d.ts", "data/**", "test-results/**", "playwright-report/**"] },
  ...next,
  ...typescript,
  {
    rules: {
      "@typescript-eslint/no-unused-vars": [
        "error",
        { argsIgnorePattern: "^_", varsIgnorePattern: "^_", destructuredArrayIgnorePattern: "^_" },
      ],
      "@typescript-eslint/no-non-null-assertion": "off",
      // Who subscribes to all of the state is drawn again at every move of the pointer.
      "no-restricted-syntax": [
        "error",
        { selector: "CallExpression[callee.name='useStudio'][arguments.length=0]", message: "Name what is read: useParts, or a selector." },
        // A hook that is named without being called keeps its component from being memoised.
        { selector: "CallExpression[callee.object.name='useStudio'][callee.property.name='getState']", message: "studioNow()" },
      ],
      // What the formatter cannot break: comments. Strings and patterns are left whole.
      "max-len": ["error", { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true }],
    },
  },
];
export default config;
