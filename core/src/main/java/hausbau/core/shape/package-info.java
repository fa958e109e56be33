/**
 * Closed triangle meshes of pieces. Coordinates are millimetres in double precision, X along the piece, Y into its
 * depth, Z up; triangles turn counter-clockwise seen from outside. A mesh may have several shells, each closed on its
 * own. Hard edges carry a small chamfer whose normals are those of the flat faces beside it, so that flats stay flat
 * and the edge catches light. UVs are measured on the face itself (isometric), so texel density is one everywhere.
 */
package hausbau.core.shape;
