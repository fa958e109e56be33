package hausbau.server.store;

import tools.jackson.databind.json.JsonMapper;

/** What is kept as JSON: lengths in millimetres, exactly. */
public final class Millimetres {

    public static final JsonMapper JSON =
            JsonMapper.builder().addModule(CoreJson.module()).build();

    private Millimetres() {}
}
