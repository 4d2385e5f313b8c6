-- Rolls hold further readings, monuments and calls, the kit known lifts: an older program does not open what it can't read.
SELECT 1;
