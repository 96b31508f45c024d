package drevik.server.web;

import drevik.codec.Presence;
import drevik.mix.Refused;
import java.lang.reflect.Type;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/** A body that lacks what it must have is refused with the name of what is missing. */
@RestControllerAdvice
class CompleteBodies extends RequestBodyAdviceAdapter {
  @Override
  public boolean supports(
      MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
    return parameter.getParameterType().isRecord();
  }

  @Override
  public Object afterBodyRead(
      @Nullable Object body,
      HttpInputMessage message,
      MethodParameter parameter,
      Type type,
      Class<? extends HttpMessageConverter<?>> converter) {
    if (body == null) {
      throw new Refused("The request is null; say in it what is asked for.");
    }
    return Presence.require(body, "");
  }
}
