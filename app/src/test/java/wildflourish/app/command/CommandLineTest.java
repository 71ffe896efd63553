package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;

/** Runs the command line and keeps what it prints; no stack trace ever reaches a user. */
abstract class CommandLineTest {

    final StringWriter out = new StringWriter();
    final StringWriter err = new StringWriter();

    int run(Object... args) {
        out.getBuffer().setLength(0);
        err.getBuffer().setLength(0);
        String[] words = new String[args.length];
        for (int i = 0; i < args.length; i++) {
            words[i] = args[i].toString();
        }
        int status = FlourishCommand.run(new PrintWriter(out, true), new PrintWriter(err, true), words);
        assertThat(out.toString() + err).doesNotContain("\tat ").doesNotContain("Exception");
        return status;
    }

    JsonNode json(Object... args) throws IOException {
        Object[] all = new Object[args.length + 1];
        System.arraycopy(args, 0, all, 0, args.length);
        all[args.length] = "--json";
        assertThat(run(all)).as(err.toString()).isZero();
        return new ObjectMapper().readTree(out.toString());
    }
}
