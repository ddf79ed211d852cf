import type { Metadata } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { Providers } from "@/studio/providers";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Vextal", template: "%s · Vextal" },
  description: "Display lettering that stays words to the end.",
};

/** Every page is made anew, since each carries its own nonce for scripts. */
export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("x-nonce") ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
