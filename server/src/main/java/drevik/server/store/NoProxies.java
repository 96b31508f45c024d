package drevik.server.store;

import java.util.Map;
import org.hibernate.boot.registry.StandardServiceInitiator;
import org.hibernate.boot.registry.StandardServiceRegistryBuilder;
import org.hibernate.bytecode.internal.none.BytecodeProviderImpl;
import org.hibernate.bytecode.spi.BytecodeProvider;
import org.hibernate.service.spi.ServiceContributor;
import org.hibernate.service.spi.ServiceRegistryImplementor;

/**
 * Rows are plain: none has a part that is read later, so no class need be written for each of them
 * at every start.
 */
public class NoProxies implements ServiceContributor {
  @Override
  public void contribute(StandardServiceRegistryBuilder services) {
    services.addInitiator(
        new StandardServiceInitiator<BytecodeProvider>() {
          @Override
          public Class<BytecodeProvider> getServiceInitiated() {
            return BytecodeProvider.class;
          }

          @Override
          public BytecodeProvider initiateService(
              Map<String, Object> settings, ServiceRegistryImplementor registry) {
            return new BytecodeProviderImpl();
          }
        });
  }
}
