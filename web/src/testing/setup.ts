import { configure } from "@testing-library/react";

// Ten times the library's second: the whole test runs beside compilers and browsers on two cores.
configure({ asyncUtilTimeout: 10_000 });

// Sentences are read as British English, whatever jsdom's browser asks for.
if (typeof window !== "undefined") localStorage.setItem("judicum.locale", "en-GB");
