package wildflourish.app.sheet;

import java.awt.print.PrinterException;
import java.awt.print.PrinterJob;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import javax.print.PrintService;
import javax.print.PrintServiceLookup;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.printing.PDFPageable;

/** The printers of this machine. Asking for them can take seconds: not on the interface's thread. */
public class Printers {

    /** Their names, the usual one first; none where there are none. */
    public List<String> names() {
        PrintService usual = PrintServiceLookup.lookupDefaultPrintService();
        List<String> all = services().stream().map(PrintService::getName).toList();
        return usual == null ? all : java.util.stream.Stream.concat(java.util.stream.Stream.of(usual.getName()), all.stream()).distinct().toList();
    }

    /** The print services of the platform. */
    protected List<PrintService> services() {
        return Arrays.asList(PrintServiceLookup.lookupPrintServices(null, null));
    }

    /**
     * Prints a PDF document, page for page as it is.
     *
     * @param title what the job is called
     * @throws IOException when the printer is gone or refuses
     */
    public void print(byte[] pdf, String title, String printer) throws IOException {
        PrintService service = services().stream().filter(s -> s.getName().equals(printer)).findFirst()
                .orElseThrow(() -> new IOException("there is no printer " + printer));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PrinterJob job = PrinterJob.getPrinterJob();
            job.setJobName(title);
            job.setPrintService(service);
            job.setPageable(new PDFPageable(document));
            job.print();
        } catch (PrinterException e) {
            throw new IOException(e);
        }
    }
}
