<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\LegChain\Contact\About;
use LucidAscent\Core\LegChain\Contact\Contact;
use LucidAscent\Core\LegChain\Contact\Contacts;

/** All contacts that there are: one a file of the folder in which they live. */
final class ContactList
{
    /** @return array<string, About> by name, in the order of their labels */
    public static function all(): array
    {
        static $all = null;
        if (null === $all) {
            $all = [];
            $folder = new \ReflectionClass(Contact::class);
            foreach (glob(dirname((string) $folder->getFileName()).'/*.php') ?: [] as $file) {
                $class = $folder->getNamespaceName().'\\'.basename($file, '.php');
                if (class_exists($class) && is_subclass_of($class, Contact::class)) {
                    $all[Contacts::name($class)] = $class::about();
                }
            }
            uasort($all, static fn (About $a, About $b): int => $a->label <=> $b->label);
        }

        return $all;
    }

    public static function putsFootOnThigh(string $contact): bool
    {
        $class = Contacts::find($contact);

        return null !== $class && Contacts::about($class)->putsFootOnThigh;
    }

    /** @return array<string, About> those that can be set up by hand */
    public static function toSetUp(): array
    {
        return array_filter(self::all(), static fn (About $about): bool => [] !== $about->controls);
    }
}
