package yellowbracket.colour.order;

/** What an order is to spare. */
public enum Aim {
    LEAST_WORK("least work"), SOONEST("soonest ready"), LEAST_TAPE("least tape");

    private final String words;

    Aim(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
