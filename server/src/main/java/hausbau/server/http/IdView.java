package hausbau.server.http;

import jakarta.validation.constraints.NotNull;

/** The number of what an edit has made. */
public record IdView(@NotNull long id) {}
