<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Passkey;
use LucidAscent\App\Entity\SecondFactor;
use LucidAscent\App\Entity\SecondFactorEnd;
use LucidAscent\App\Entity\SecondFactorUse;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Uid\Uuid;

/**
 * Codes of an app, or passkeys, beside the password, for who wants them. A wrong one fails like a wrong password,
 * counts like one, and says no more; none is good twice.
 */
final readonly class SecondFactors
{
    public const FIELD = 'code';
    public const PASSKEY = 'passkey';
    private const ON_PAPER = 8;

    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        private RequestStack $requests,
        private Passkeys $passkeys,
        #[Autowire('%env(APP_SECRET)%')]
        #[\SensitiveParameter]
        private string $secret,
    ) {
    }

    /** After the password was right. */
    #[AsEventListener(priority: -10)]
    public function check(CheckPassportEvent $event): void
    {
        $passport = $event->getPassport();
        $teacher = $passport->hasBadge(PasswordCredentials::class) ? $passport->getUser() : null;
        $request = $this->requests->getMainRequest();
        if ($teacher instanceof Teacher && null !== $request && $this->isAsked($teacher)) {
            $this->isRight($teacher, $request) ?: throw new BadCredentialsException();
        }
    }

    /** Whether somebody needs more than a password. */
    public function isAsked(Teacher $teacher): bool
    {
        return null !== $this->of($teacher) || [] !== $this->passkeys->of($teacher);
    }

    public function of(Teacher $teacher): ?SecondFactor
    {
        return $this->em
            ->createQuery(
                'SELECT f FROM '.
                    SecondFactor::class.
                    ' f WHERE f.teacher = :teacher AND NOT EXISTS (SELECT 1 FROM '.
                    SecondFactorEnd::class.
                    ' e WHERE e.id = f.id) ORDER BY f.at DESC, f.id DESC',
            )
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->setMaxResults(1)
            ->getOneOrNullResult();
    }

    /**
     * @param string $secret as the app has it
     * @param string $code that it shows
     *
     * @return list<string>|null the codes to be kept on paper, shown this once; null where the app shows another code
     */
    public function begin(Teacher $teacher, #[\SensitiveParameter] string $secret, string $code): ?array
    {
        $step = TimedCode::step($secret, $code, $this->clock->now());
        if (null === $step) {
            return null;
        }
        $this->endApp($teacher);
        $paper = self::paper();
        $factor = new SecondFactor(
            Uuid::v7(),
            $teacher,
            $this->clock->now(),
            $this->seal($secret),
            array_map($this->hash(...), $paper),
        );
        $this->em->persist($factor);
        $this->em->persist(new SecondFactorUse($factor->id, (string) $step, $this->clock->now()));
        $this->em->flush();

        return $paper;
    }

    /**
     * @param array<string, mixed> $sent what a device says that has made a passkey
     * @param string $name in its owner's words
     *
     * @return list<string>|null the codes to be kept on paper, shown this once; null where what it says is wrong
     */
    public function beginPasskey(Teacher $teacher, string $name, array $sent, Request $request): ?array
    {
        $paper = self::paper();

        return $this->passkeys->begin($teacher, $name, $sent, array_map($this->hash(...), $paper), $request)
            ? $paper
            : null;
    }

    /** The password alone is enough again. */
    public function end(Teacher $teacher): void
    {
        $this->endApp($teacher);
        foreach ($this->passkeys->of($teacher) as $one) {
            $this->passkeys->end($teacher, (string) $one->id);
        }
    }

    public function endApp(Teacher $teacher): void
    {
        $factor = $this->of($teacher);
        if (null !== $factor) {
            $this->em->persist(new SecondFactorEnd($factor->id, $this->clock->now()));
            $this->em->flush();
        }
    }

    private function isRight(Teacher $teacher, Request $request): bool
    {
        $code = $request->request->getString(self::FIELD);
        $app = $this->of($teacher);
        $step = null === $app ? null : TimedCode::step($this->open($app->secret), $code, $this->clock->now());
        if (null !== $app && null !== $step) {
            return $this->use($app->id, (string) $step);
        }
        $passkeys = $this->passkeys->of($teacher);
        $onPaper = $this->hash(strtolower(trim($code)));
        foreach ([...null === $app ? [] : [$app], ...$passkeys] as $factor) {
            if (in_array($onPaper, $factor->recovery, true)) {
                return $this->use($factor->id, $onPaper);
            }
        }
        $sent = json_decode($request->request->getString(self::PASSKEY), true);

        return is_array($sent)
            && $this->passkeys->isRight(
                $passkeys,
                $sent,
                $request,
                fn (Passkey $one, string $challenge): bool => $this->use($one->id, $challenge),
            );
    }

    /** @return list<string> */
    private static function paper(): array
    {
        return array_map(
            static fn (): string => implode('-', str_split(bin2hex(random_bytes(5)), 5)),
            range(1, self::ON_PAPER),
        );
    }

    /** @return bool whether it is used for the first time: whoever looked over a shoulder comes too late */
    private function use(Uuid $factor, string $code): bool
    {
        try {
            return 1 === $this->em->getConnection()->insert('second_factor_use', [
                'factor' => $factor->toBinary(),
                'code' => $code,
                'at' => $this->clock->now(),
            ], ['at' => MomentType::NAME]);
        } catch (UniqueConstraintViolationException) {
            return false;
        }
    }

    private function hash(#[\SensitiveParameter] string $code): string
    {
        return hash_hmac('sha256', "on paper $code", $this->secret);
    }

    private function seal(#[\SensitiveParameter] string $secret): string
    {
        $nonce = random_bytes(SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return base64_encode($nonce.sodium_crypto_secretbox($secret, $nonce, $this->key()));
    }

    private function open(string $sealed): string
    {
        $bytes = (string) base64_decode($sealed, true);
        $opened = sodium_crypto_secretbox_open(
            substr($bytes, SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            substr($bytes, 0, SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            $this->key(),
        );

        return is_string($opened)
            ? $opened
            : throw new \RuntimeException('A second factor was sealed with another key.');
    }

    private function key(): string
    {
        return hash_hkdf('sha256', $this->secret, SODIUM_CRYPTO_SECRETBOX_KEYBYTES, 'second factor');
    }
}
