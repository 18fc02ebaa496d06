<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

/** Contacts by their names. */
final class Contacts
{
    /** @return class-string<Contact>|null null when there is none of that name */
    public static function find(string $name): ?string
    {
        $class = __NAMESPACE__.'\\'.str_replace(' ', '', ucwords(str_replace('-', ' ', $name)));

        return 1 === preg_match('/^[a-z]+(-[a-z]+)*$/', $name) && class_exists($class) && is_subclass_of($class, Contact::class) && self::name($class) === $name ? $class : null;
    }

    /** @param class-string<Contact> $class */
    public static function name(string $class): string
    {
        return strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', (new \ReflectionClass($class))->getShortName()));
    }
}
