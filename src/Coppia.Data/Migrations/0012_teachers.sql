-- Who may use this Coppia. Nobody in it: whoever sits at this machine. Passphrases are kept as hashes only.
CREATE TABLE teacher (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL UNIQUE COLLATE NOCASE CHECK (length(name) BETWEEN 1 AND 60),
    passphrase TEXT NOT NULL, -- its hash
    stamp      TEXT NOT NULL, -- changes when all sign-ins end
    created_at TEXT NOT NULL
);

-- By whom; empty where nobody signs in.
ALTER TABLE known_change ADD COLUMN made_by TEXT NOT NULL DEFAULT '';
