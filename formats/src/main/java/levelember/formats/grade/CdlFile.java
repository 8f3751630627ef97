package levelember.formats.grade;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.math.Rgb;
import levelember.shoot.look.Grade;
import org.w3c.dom.Document;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** The wheels of a grade as an ASC CDL file (version 1.2): slope, offset, power, saturation. */
public final class CdlFile {
  private static final int MOST_BYTES = 1 << 20;

  private CdlFile() {}

  /** Writes the wheels. */
  public static byte[] write(Grade.Wheels wheels, String id) {
    return """
    <?xml version="1.0" encoding="UTF-8"?>
    <ColorDecisionList xmlns="urn:ASC:CDL:v1.2">
      <ColorDecision>
        <ColorCorrection id="%s">
          <SOPNode>
            <Slope>%s</Slope>
            <Offset>%s</Offset>
            <Power>%s</Power>
          </SOPNode>
          <SATNode>
            <Saturation>%s</Saturation>
          </SATNode>
        </ColorCorrection>
      </ColorDecision>
    </ColorDecisionList>
    """
        .formatted(
            id,
            three(wheels.slope()),
            three(wheels.cdlOffset()),
            three(wheels.power()),
            number(wheels.saturation()))
        .getBytes(StandardCharsets.UTF_8);
  }

  private static String three(Rgb c) {
    return number(c.r()) + " " + number(c.g()) + " " + number(c.b());
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.6f", value);
  }

  /**
   * Reads the first correction of a file: slope as gain, offset, one over power as gamma.
   *
   * @throws RefusedFile when it is none, broken, or outside of what wheels can do
   */
  public static Grade.Wheels read(byte[] file) {
    if (file.length > MOST_BYTES) {
      throw new RefusedFile("the CDL is larger than " + MOST_BYTES + " bytes");
    }
    Document document;
    try {
      DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
      factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      factory.setNamespaceAware(true);
      var builder = factory.newDocumentBuilder();
      builder.setErrorHandler(null);
      document = builder.parse(new ByteArrayInputStream(file));
    } catch (SAXException | IOException e) {
      throw new RefusedFile("the CDL is no XML that can be read: " + e.getMessage(), e);
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException("this Java cannot read XML safely", e);
    }
    Rgb slope = three(document, "Slope"), offset = three(document, "Offset");
    Rgb power = three(document, "Power");
    NodeList sat = document.getElementsByTagNameNS("*", "Saturation");
    double saturation = 1;
    if (sat.getLength() > 0) {
      saturation = number("Saturation", sat.item(0).getTextContent().strip());
    }
    Rgb gamma = new Rgb(1 / power.r(), 1 / power.g(), 1 / power.b());
    try {
      return new Grade.Wheels(Rgb.grey(0), gamma, slope, offset, saturation);
    } catch (ImpossibleValue e) {
      throw new RefusedFile("the CDL goes farther than wheels do: " + e.getMessage(), e);
    }
  }

  private static Rgb three(Document document, String name) {
    NodeList nodes = document.getElementsByTagNameNS("*", name);
    String[] words =
        nodes.getLength() == 0
            ? new String[0]
            : nodes.item(0).getTextContent().strip().split("\\s+");
    if (words.length != 3) {
      throw new RefusedFile("the CDL has no three numbers as " + name);
    }
    return new Rgb(number(name, words[0]), number(name, words[1]), number(name, words[2]));
  }

  private static double number(String name, String word) {
    try {
      double value = Double.parseDouble(word);
      if (Double.isFinite(value)) {
        return value;
      }
    } catch (NumberFormatException e) {
      throw new RefusedFile("the CDL has '" + word + "' as " + name + ", which is no number", e);
    }
    throw new RefusedFile("the CDL has '" + word + "' as " + name + ", which is no number");
  }
}
