package wildflourish.app.desk;

/** The screens there are. */
public enum Screen { SHELF, TRELLIS, READING, CHART, ACROSS, ROUNDS, PRACTICE }
