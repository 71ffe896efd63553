package wildflourish.app.controls;

/** Tells somebody's choice from a box being filled: while it is filled, nothing counts as chosen. */
public final class Filling {

    private boolean on;

    /** Fills boxes; what they tell meanwhile is nobody's choice. */
    public void fill(Runnable task) {
        boolean before = on;
        on = true;
        try {
            task.run();
        } finally {
            on = before;
        }
    }

    /** Whether boxes are being filled. */
    public boolean isOn() {
        return on;
    }

    /** Does what somebody has chosen, unless it is only being filled in. */
    public void chosen(Runnable command) {
        if (!on) {
            command.run();
        }
    }
}
