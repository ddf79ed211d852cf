"use client";
import { QueryClientProvider } from "@tanstack/react-query";
import { ThemeProvider } from "next-themes";
import { Tooltip } from "radix-ui";
import type { ReactNode } from "react";
import { Toaster } from "sonner";
import { queries } from "./queries";

export function Providers({ nonce, children }: { nonce?: string; children: ReactNode }) {
  return (
    <ThemeProvider attribute="class" defaultTheme="light" nonce={nonce} disableTransitionOnChange>
      <QueryClientProvider client={queries}>
        <Tooltip.Provider delayDuration={500} disableHoverableContent>
          {children}
        </Tooltip.Provider>
        <Toaster
          position="bottom-center"
          toastOptions={{
            classNames: { toast: "!bg-graphite !text-paper !border-0 !font-sans", actionButton: "!bg-accent !text-on-accent" },
          }}
        />
      </QueryClientProvider>
    </ThemeProvider>
  );
}
