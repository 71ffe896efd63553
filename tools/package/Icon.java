import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;

/**
 * Draws the program's icon: a note that grows up a trellis. {@code java tools/package/Icon.java FOLDER} writes it as PNG of several sizes, as ICO for Windows and as ICNS for macOS (both
 * hold PNG).
 */
final class Icon {

    private static final Color GROUND = new Color(0x1f3d36);
    private static final Color LATTICE = new Color(0x6f9a86);
    private static final Color NOTE = new Color(0xf6efdc);
    private static final Color LEAF = new Color(0xd9a441);

    private Icon() {}

    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        Files.createDirectories(folder);
        for (int size : List.of(16, 32, 48, 64, 128, 256, 512)) {
            Files.write(folder.resolve("icon-" + size + ".png"), png(size));
        }
        Files.write(folder.resolve("icon.ico"), ico(List.of(16, 32, 48, 256)));
        Files.write(folder.resolve("icon.icns"), icns());
    }

    private static byte[] png(int size) throws IOException {
        BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.scale(size / 64.0, size / 64.0);
        g.setColor(GROUND);
        g.fill(new RoundRectangle2D.Double(2, 2, 60, 60, 16, 16));
        g.setColor(LATTICE);
        g.setStroke(new BasicStroke(2.6f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        for (double y : new double[] {14, 26, 38, 50}) {
            g.draw(new java.awt.geom.Line2D.Double(10, y, 54, y));
        }
        g.draw(new java.awt.geom.Line2D.Double(16, 8, 16, 56));
        g.draw(new java.awt.geom.Line2D.Double(48, 8, 48, 56));
        // The note: its head at the foot, its stem a shoot that winds from lath to lath.
        g.setColor(NOTE);
        AffineTransform straight = g.getTransform();
        g.rotate(-0.35, 26, 47);
        g.fill(new Ellipse2D.Double(17.5, 41.5, 17, 12));
        g.setTransform(straight);
        Path2D stem = new Path2D.Double();
        stem.moveTo(33, 45);
        stem.curveTo(35, 34, 30, 27, 34, 12);
        g.setStroke(new BasicStroke(4.2f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        g.draw(stem);
        g.setColor(LEAF);
        g.fill(leaf(34, 13, 50, 24));
        g.fill(leaf(32, 28, 44, 37));
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    /** A leaf from its stalk to its tip. */
    private static Path2D leaf(double x, double y, double tipX, double tipY) {
        Path2D leaf = new Path2D.Double();
        double dx = tipX - x;
        double dy = tipY - y;
        leaf.moveTo(x, y);
        leaf.curveTo(x + 0.5 * dx + 0.4 * dy, y + 0.5 * dy - 0.4 * dx, tipX + 0.1 * dy, tipY - 0.3 * dx, tipX, tipY);
        leaf.curveTo(x + 0.6 * dx - 0.3 * dy, y + 0.6 * dy + 0.3 * dx, x + 0.2 * dx - 0.3 * dy, y + 0.2 * dy + 0.2 * dx, x, y);
        return leaf;
    }

    private static byte[] ico(List<Integer> sizes) throws IOException {
        ByteArrayOutputStream pictures = new ByteArrayOutputStream();
        ByteBuffer head = ByteBuffer.allocate(6 + 16 * sizes.size()).order(ByteOrder.LITTLE_ENDIAN);
        head.putShort((short) 0).putShort((short) 1).putShort((short) sizes.size());
        for (int size : sizes) {
            byte[] png = png(size);
            head.put((byte) size).put((byte) size).put((byte) 0).put((byte) 0).putShort((short) 1).putShort((short) 32).putInt(png.length).putInt(head.capacity() + pictures.size());
            pictures.write(png);
        }
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.write(head.array());
        pictures.writeTo(all);
        return all.toByteArray();
    }

    private static byte[] icns() throws IOException {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(body);
        for (Object[] one : new Object[][] {{"ic07", 128}, {"ic08", 256}, {"ic09", 512}}) {
            byte[] png = png((Integer) one[1]);
            out.writeBytes((String) one[0]);
            out.writeInt(png.length + 8);
            out.write(png);
        }
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        DataOutputStream head = new DataOutputStream(all);
        head.writeBytes("icns");
        head.writeInt(body.size() + 8);
        body.writeTo(all);
        return all.toByteArray();
    }
}
