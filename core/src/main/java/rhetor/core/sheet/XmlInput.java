package rhetor.core.sheet;

import java.io.InputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Opens XML from strangers: no document type, no external entities (OWASP, XXE prevention). */
final class XmlInput {
  private XmlInput() {}

  static XMLStreamReader reader(InputStream in) throws XMLStreamException {
    // The JDK's own: what else is on the class path may read the switches differently.
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    return factory.createXMLStreamReader(in);
  }
}
