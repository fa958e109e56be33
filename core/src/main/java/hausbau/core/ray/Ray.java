package hausbau.core.ray;

/** A ray and what it meets first. It is changed by whoever casts it, and of one thread. Metres. */
public final class Ray {

    /** What is nearer than this to where it begins is not met. */
    public static final float NEAR = 1e-4f;

    float ox;
    float oy;
    float oz;
    float dx;
    float dy;
    float dz;
    float far;
    /** The thing and the triangle in it that is met; -1: none. */
    int thing;

    int triangle;
    /** Across what is met, toward its outside; of any length. */
    float nx;

    float ny;
    float nz;
    /** Of one thing alone it does not meet anything; -1: of none. */
    int past = -1;

    final int[] stack = new int[BoxTree.STACK];
    final int[] inner = new int[BoxTree.STACK];
    /** In the frame of a thing. */
    float lx;

    float ly;
    float lz;
    float ex;
    float ey;
    float ez;

    /** @param far nothing from there on is met. The way need not be one long: distances are in its length */
    public Ray from(double x, double y, double z, double toX, double toY, double toZ, double far) {
        ox = (float) x;
        oy = (float) y;
        oz = (float) z;
        dx = (float) toX;
        dy = (float) toY;
        dz = (float) toZ;
        this.far = (float) far;
        thing = -1;
        past = -1;
        return this;
    }

    /** Along another, up to where that has met something, from a distance on. */
    public Ray along(Ray other, double from) {
        return from(
                other.ox + from * other.dx,
                other.oy + from * other.dy,
                other.oz + from * other.dz,
                other.dx,
                other.dy,
                other.dz,
                other.far - from);
    }

    /** Passes through a thing: what hangs in it shines through it. */
    public Ray past(int thing) {
        past = thing;
        return this;
    }

    public boolean isMet() {
        return thing >= 0;
    }

    /** The thing that is met, as it was numbered. */
    public int thing() {
        return thing;
    }

    /** The triangle of it that is met, by what it was marked with. */
    public int triangle() {
        return triangle;
    }

    public float distance() {
        return far;
    }

    public float x() {
        return ox + far * dx;
    }

    public float y() {
        return oy + far * dy;
    }

    public float z() {
        return oz + far * dz;
    }

    public float normalX() {
        return nx;
    }

    public float normalY() {
        return ny;
    }

    public float normalZ() {
        return nz;
    }

    /** Whether the surface is met from its back. */
    public boolean isFromBehind() {
        return nx * dx + ny * dy + nz * dz > 0;
    }
}
