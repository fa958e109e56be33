package hausbau.server.store;

import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;

@Entity
@Table(name = "piece")
public class PieceRow implements Row {

    /** The names under which recipes are kept. */
    enum RecipeName {
        WALL(Recipe.WallPanel.class), OPENING(Recipe.OpeningPanel.class), POST(Recipe.CornerPost.class), TILE(Recipe.Tile.class),
        PILLAR(Recipe.Pillar.class), STAND_IN(Recipe.StandIn.class), BENCH(Recipe.Bench.class), CUBICLE(Recipe.Cubicle.class), LAMP(Recipe.Lamp.class);

        private final Class<? extends Recipe> type;

        RecipeName(Class<? extends Recipe> type) {
            this.type = type;
        }

        static RecipeName of(Recipe recipe) {
            return Arrays.stream(values()).filter(name -> name.type.isInstance(recipe)).findFirst().orElseThrow();
        }
    }

    @Id
    Long id;
    long siteId;
    String code;
    String name;
    @Enumerated(EnumType.STRING)
    Role role;
    @Enumerated(EnumType.STRING)
    RecipeName recipe;
    @Enumerated(EnumType.STRING)
    Pivot pivot;
    long xSize;
    long ySize;
    long zSize;
    /** The clear opening of an opening panel, in its natural frame; 0 for others. */
    long xClear;
    long zClear;
    long xClearTo;
    long zClearTo;

    protected PieceRow() {
    }

    public PieceRow(long id, long siteId, Piece piece) {
        this.id = id;
        this.siteId = siteId;
        set(piece);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Piece toPiece() {
        return new Piece(code, name, role, toRecipe(), pivot);
    }

    private Recipe toRecipe() {
        var size = new Vec(xSize, ySize, zSize);
        return switch (recipe) {
            case WALL -> new Recipe.WallPanel(size);
            case OPENING -> new Recipe.OpeningPanel(size, Box.of(xClear, 0, zClear, xClearTo, ySize, zClearTo));
            case POST -> new Recipe.CornerPost(size);
            case TILE -> new Recipe.Tile(size);
            case STAND_IN -> new Recipe.StandIn(size);
            case PILLAR -> new Recipe.Pillar(size);
            case BENCH -> new Recipe.Bench();
            case CUBICLE -> new Recipe.Cubicle();
            case LAMP -> new Recipe.Lamp();
        };
    }

    public final void set(Piece piece) {
        code = piece.code();
        name = piece.name();
        role = piece.role();
        recipe = RecipeName.of(piece.recipe());
        pivot = piece.pivot();
        xSize = piece.size().x();
        ySize = piece.size().y();
        zSize = piece.size().z();
        var clear = piece.recipe() instanceof Recipe.OpeningPanel panel ? panel.clear() : new Box(Vec.ZERO, Vec.ZERO);
        xClear = clear.min().x();
        zClear = clear.min().z();
        xClearTo = clear.max().x();
        zClearTo = clear.max().z();
    }
}
