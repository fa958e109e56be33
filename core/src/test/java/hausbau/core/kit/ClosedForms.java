package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;

/**
 * Volume and surface of every kind of body by formula, from its sizes alone: elementary stereometry, worked by hand.
 *
 * @param volume cubic millimetres
 * @param area   square millimetres
 */
record ClosedForms(double volume, double area) {

    static final ClosedForms NONE = new ClosedForms(0, 0);

    ClosedForms plus(ClosedForms other) {
        return new ClosedForms(volume + other.volume, area + other.area);
    }

    static ClosedForms of(Recipe recipe, double chamfer) {
        return recipe.parts().stream().map(part -> of(part, chamfer)).reduce(NONE, ClosedForms::plus);
    }

    static ClosedForms of(Part part, double chamfer) {
        if (part.form() instanceof Form.Block block) {
            return chamferedBox(new Box(Vec.ZERO, block.size()), chamfer);
        } else if (part.form() instanceof Form.Panel panel) {
            return holedSlab(panel, chamfer);
        }
        return turned((Form.Turned) part.form());
    }

    private static double mm(long um) {
        return um / 1000.0;
    }

    /** Six faces set in by c, twelve strips c√2 wide, eight corner triangles of side c√2. */
    private static ClosedForms chamferedBox(Box box, double c) {
        var x = mm(box.size().x());
        var y = mm(box.size().y());
        var z = mm(box.size().z());
        var volume = x * y * z - 2 * c * c * (x + y + z) + 16 * c * c * c / 3;
        var inner = new double[] {x - 2 * c, y - 2 * c, z - 2 * c};
        var faces = 2 * (inner[0] * inner[1] + inner[1] * inner[2] + inner[2] * inner[0]);
        var strips = 4 * c * Math.sqrt(2) * (inner[0] + inner[1] + inner[2]);
        return new ClosedForms(volume, faces + strips + 8 * Math.sqrt(3) / 2 * c * c);
    }

    /**
     * A right-angled outline of area A and edge length P, set in by t, has A − Pt + kt², k being its outer less its inner
     * corners; integrated over both chamfers: AD − Pc² + ⅔kc³ for a depth D.
     */
    private static ClosedForms holedSlab(Form.Panel part, double c) {
        var slab = new Box(Vec.ZERO, part.size());
        var rect = part.openings().get(0);
        var hole = Box.of(rect.x0(), 0, rect.y0(), rect.x1(), part.size().y(), rect.y1());
        var w = mm(slab.size().x());
        var h = mm(slab.size().z());
        var holeW = mm(hole.size().x());
        var window = hole.min().z() > slab.min().z();
        var holeH =
                window ? mm(hole.size().z()) : mm(hole.max().z() - slab.min().z());
        var outline = w * h - holeW * holeH;
        // A doorway's legs stand on the base: its hole adds two sides and takes nothing off but what its head gives
        // back.
        var edge = window ? 2 * (w + h) + 2 * (holeW + holeH) : 2 * (w + h) + 2 * holeH;
        var k = window ? 4 - 4 : 6 - 2;
        var depth = mm(slab.size().y());
        var volume = outline * depth - edge * c * c + 2.0 / 3 * k * c * c * c;
        var caps = 2 * (outline - edge * c + k * c * c);
        var strips = 2 * (edge + edge - 2 * k * c) / 2 * c * Math.sqrt(2);
        return new ClosedForms(volume, caps + edge * (depth - 2 * c) + strips);
    }

    /** A pile of frusta of regular pyramids. */
    private static ClosedForms turned(Form.Turned part) {
        var n = part.sides();
        var volume = 0.0;
        var area = 0.0;
        var profile = part.closed();
        for (var i = 0; i + 1 < profile.size(); i++) {
            var a = profile.get(i).radius();
            var b = profile.get(i + 1).radius();
            var rise = profile.get(i + 1).z() - profile.get(i).z();
            volume += n * Math.sin(2 * Math.PI / n) / 2 * rise / 3 * (a * a + a * b + b * b);
            area += n * (a + b) * Math.sin(Math.PI / n) * Math.hypot(rise, (a - b) * Math.cos(Math.PI / n));
        }
        return new ClosedForms(volume, area);
    }
}
