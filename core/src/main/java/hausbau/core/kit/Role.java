package hausbau.core.kit;

import java.util.Locale;

/** What a piece is for; the prefix begins its code. */
public enum Role {
    WALL("WAL"),
    DOOR("DOR"),
    WINDOW("WIN"),
    PASSAGE("PAS"),
    POST("POS"),
    FLOOR("FLR"),
    CEILING("CEI"),
    STAIR("STA"),
    GUARD("GRD"),
    MOULDING("MLD"),
    SOLID("SOL"),
    PILLAR("PIL"),
    PROP("PRP");

    private final String prefix;

    Role(String prefix) {
        this.prefix = prefix;
    }

    public String prefix() {
        return prefix;
    }

    public String label() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether pieces of this role close a room's side. */
    public boolean closesARun() {
        return this == WALL || this == DOOR || this == WINDOW || this == PASSAGE || this == POST;
    }

    /** Whether massing makes pieces of this role; the others a person sets down. */
    public boolean isDerived() {
        return this != PILLAR && this != PROP;
    }
}
