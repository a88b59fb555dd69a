package yellowbracket.wear;

/** What is decided about wearing a prop. Nothing yet: pads follow from the fit. */
public record WearWish() {
    public static final WearWish USUAL = new WearWish();
}
