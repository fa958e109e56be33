package hausbau.server.journal;

/** Who asks, where a question is not the same for all. @param name the word of a browser's window; empty for all who say nothing */
public record Maker(String name) {}
