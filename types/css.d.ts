declare module "*.css";
declare module "@fontsource-variable/commissioner/wght.css";
