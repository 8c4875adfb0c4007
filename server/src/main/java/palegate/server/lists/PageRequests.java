package palegate.server.lists;

import java.util.List;
import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Reads the part of a list that is asked for, without the general binder, which looks at every annotation at every request. */
@Component
class PageRequests implements HandlerMethodArgumentResolver, WebMvcConfigurer {
  @Override
  public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
    resolvers.add(this);
  }

  @Override
  public boolean supportsParameter(MethodParameter parameter) {
    return parameter.getParameterType() == PageRequest.class;
  }

  @Override
  public PageRequest resolveArgument(MethodParameter parameter, ModelAndViewContainer container, NativeWebRequest request, WebDataBinderFactory binders) {
    return new PageRequest(request.getParameter("text"), request.getParameter("sort"), number(request, "offset", parameter), whole(request, parameter));
  }

  private static Long number(NativeWebRequest request, String name, MethodParameter parameter) {
    String text = request.getParameter(name);
    try {
      return text == null || text.isEmpty() ? null : Long.valueOf(text);
    } catch (NumberFormatException wrong) {
      throw new MethodArgumentTypeMismatchException(text, Long.class, name, parameter, wrong);
    }
  }

  private static Integer whole(NativeWebRequest request, MethodParameter parameter) {
    Long limit = number(request, "limit", parameter);
    return limit == null ? null : (int) Math.max(Integer.MIN_VALUE, Math.min(Integer.MAX_VALUE, limit));
  }
}
