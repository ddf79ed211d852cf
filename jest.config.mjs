const shared = {
  transform: {
    "^.+\\.tsx?$": [
      "@swc/jest",
      {
        jsc: { parser: { syntax: "typescript", tsx: true }, transform: { react: { runtime: "automatic" } }, target: "es2022" },
        module: { type: "es6" },
      },
    ],
  },
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/$1" },
  modulePathIgnorePatterns: ["<rootDir>/.next/"],
};

const config = {
  // On a loaded machine a test that draws takes many times as long as else: this ends only what hangs.
  testTimeout: 120_000,
  projects: [
    {
      ...shared,
      displayName: "core",
      testEnvironment: "node",
      testMatch: ["<rootDir>/{core,server,cli,demo,worker,studio,tests}/**/*.test.ts"],
    },
    {
      ...shared,
      displayName: "studio",
      testEnvironment: "jsdom",
      testMatch: ["<rootDir>/studio/**/*.test.tsx"],
      setupFilesAfterEnv: ["<rootDir>/tests/jsdom.ts"],
    },
  ],
};
export default config;
