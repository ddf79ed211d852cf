import { Moon, Sun } from "lucide-react";
import { useTheme } from "next-themes";
import { useAlive } from "./alive";
import { IconButton } from "./button";

/** Changes between daylight and evening light. Which one it is only the browser knows: until the page is alive it is taken for daylight. */
export function LightButton() {
  const { resolvedTheme, setTheme } = useTheme();
  const evening = useAlive() && resolvedTheme === "dark";
  return (
    <IconButton label={evening ? "Daylight" : "Evening light"} onClick={() => setTheme(evening ? "light" : "dark")}>
      {evening ? <Sun /> : <Moon />}
    </IconButton>
  );
}
