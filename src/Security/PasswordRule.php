<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What a password must be: long, and not among those that are tried first. Which characters are in it is its owner's
 * business (NIST SP 800-63B, 5.1.1.2, from memory).
 */
final readonly class PasswordRule
{
    public const SHORTEST = 12;
    public const LONGEST = 128;

    /** Those most used in passwords that came to light, by the word lists of zxcvbn-ts (MIT), the most used first. */
    public function __construct(
        #[Autowire('%kernel.project_dir%/config/common-passwords.txt')]
        private string $common,
    ) {
    }

    /**
     * @param list<string> $own what anybody can know of whose it is: name and address
     *
     * @return string|null the id of the message that says what is wrong
     */
    public function fault(#[\SensitiveParameter] string $password, array $own): ?string
    {
        return match (true) {
            mb_strlen($password) < self::SHORTEST => 'account.password.short',
            mb_strlen($password) > self::LONGEST => 'account.password.long',
            $this->isTriedFirst(mb_strtolower($password), $own) => 'account.password.easy',
            default => null,
        };
    }

    /** @param list<string> $own */
    private function isTriedFirst(#[\SensitiveParameter] string $password, array $own): bool
    {
        // What is left without name and address, and without the figures and marks that people put around a word.
        preg_match_all('/[\pL\pN]{3,}/u', mb_strtolower(implode(' ', $own)), $known);
        $rest = str_replace($known[0], '', $password);
        $core = (string) preg_replace('/^[^\pL]+|[^\pL]+$/u', '', $rest);
        if (mb_strlen($core) < 4 || 1 === preg_match('/^(.{1,6}?)\1+.{0,5}$/u', $password)) {
            return true;
        }
        $common = array_flip(explode("\n", (string) file_get_contents($this->common)));
        if (isset($common[$password]) || isset($common[$core])) {
            return true;
        }
        // Two of them, one after the other.
        for ($at = 4; $at <= strlen($core) - 4; ++$at) {
            if (isset($common[substr($core, 0, $at)], $common[substr($core, $at)])) {
                return true;
            }
        }

        return false;
    }
}
