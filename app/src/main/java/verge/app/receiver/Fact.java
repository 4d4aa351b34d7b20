package verge.app.receiver;

/** One thing that is told of a receiver's work, in finished words. */
public record Fact(String name, String value) {
}
