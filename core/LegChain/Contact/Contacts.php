<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

/** Contacts by their names. */
final class Contacts
{
    /** @var array<class-string<Contact>, About> */
    private static array $abouts = [];

    /** @return class-string<Contact>|null null when there is none of that name */
    public static function find(string $name): ?string
    {
        $class = __NAMESPACE__.'\\'.str_replace(' ', '', ucwords(str_replace('-', ' ', $name)));

        return 1 === preg_match('/^[a-z]+(-[a-z]+)*$/', $name)
            && class_exists($class)
            && is_subclass_of($class, Contact::class)
            && self::name($class) === $name
            ? $class
            : null;
    }

    /**
     * What is known of a contact, told once: each angle of each rung, and each reading of years, asks for it.
     *
     * @param class-string<Contact> $class
     */
    public static function about(string $class): About
    {
        return self::$abouts[$class] ??= $class::about();
    }

    /** @param class-string<Contact> $class */
    public static function name(string $class): string
    {
        return strtolower(
            (string) preg_replace('/(?<!^)[A-Z]/', '-$0', (new \ReflectionClass($class))->getShortName()),
        );
    }
}
