package org.zealousladder.server.platform.limits;

import jakarta.validation.constraints.Size;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Collection;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * Every text and list that is posted has a limit: the one its form declares with {@link Size}, or else the one of this place. A form cannot forget it.
 */
@RestControllerAdvice
class PostedLimits extends RequestBodyAdviceAdapter {
    static final int LETTERS = 2000;
    /** More than a school has students. */
    static final int ITEMS = 5000;

    @Override
    public boolean supports(MethodParameter parameter, Type target, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(Object body, HttpInputMessage message, MethodParameter parameter, Type target,
            Class<? extends HttpMessageConverter<?>> converter) {
        check(body, "", false);
        return body;
    }

    /** @throws Refusal 422 naming the field that is too long */
    static void check(@Nullable Object value, String field, boolean limited) {
        if (value instanceof CharSequence text && !limited && text.length() > LETTERS) {
            throw Refusal.invalid(field, "The text is too long: at most " + LETTERS + " letters. Nothing was saved.");
        } else if (value instanceof Collection<?> items) {
            if (!limited && items.size() > ITEMS) {
                throw tooMany(field);
            }
            items.forEach(item -> {
                if (item == null) {
                    throw Refusal.invalid(field, "An item of the list is missing. Nothing was saved.");
                }
                check(item, field, false);
            });
        } else if (value instanceof Map<?, ?> map) {
            if (!limited && map.size() > ITEMS) {
                throw tooMany(field);
            }
            map.forEach((key, item) -> {
                check(key, field, false);
                check(item, field, false);
            });
        } else if (value instanceof Record form) {
            for (RecordComponent component : form.getClass().getRecordComponents()) {
                check(get(form, component), component.getName(), declares(form.getClass(), component));
            }
        }
    }

    private static Refusal tooMany(String field) {
        return Refusal.invalid(field, "That is too many at once: at most " + ITEMS + ". Nothing was saved.");
    }

    /** On the component itself; bean validation looks at the field. */
    private static boolean declares(Class<?> form, RecordComponent component) {
        try {
            Size size = form.getDeclaredField(component.getName()).getAnnotation(Size.class);
            return size != null && size.max() < Integer.MAX_VALUE;
        } catch (NoSuchFieldException e) {
            throw new IllegalStateException(e);
        }
    }

    private static @Nullable Object get(Record form, RecordComponent component) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(form);
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException(e);
        }
    }
}
