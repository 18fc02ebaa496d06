<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Passkey;
use LucidAscent\App\Entity\PasskeyEnd;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;

/** Passkeys of a member's devices, and the challenges that they answer: each for a while, and once. */
final readonly class Passkeys
{
    /** How long a page may lie open before somebody takes the device up. */
    private const SECONDS = 3600;
    private const RANDOM_BYTES = 16;
    private const SEAL_BYTES = 16;

    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        #[Autowire('%env(APP_SECRET)%')]
        #[\SensitiveParameter]
        private string $secret,
    ) {
    }

    /** @return list<Passkey> those that count, the first first */
    public function of(Teacher $teacher): array
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.
                    Passkey::class.
                    ' k WHERE k.teacher = :teacher AND NOT EXISTS (SELECT 1 FROM '.
                    PasskeyEnd::class.
                    ' e WHERE e.id = k.id) ORDER BY k.at, k.id',
            )
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->getResult();
    }

    /** A challenge that nothing has to be kept for: it says itself until when it counts. */
    public function challenge(): string
    {
        $body = pack('J', $this->clock->now()->getTimestamp() + self::SECONDS).random_bytes(self::RANDOM_BYTES);

        return PasskeyProof::written($body.$this->seal($body));
    }

    public function isOurs(string $challenge): bool
    {
        $bytes = PasskeyProof::read($challenge);
        $body = substr($bytes, 0, -self::SEAL_BYTES);

        return strlen($body) === 8 + self::RANDOM_BYTES
            && hash_equals($this->seal($body), substr($bytes, -self::SEAL_BYTES))
            && (int) (unpack('J', $body)[1] ?? 0) >= $this->clock->now()->getTimestamp();
    }

    /**
     * @param array<string, mixed> $sent
     * @param list<string> $recovery hashes of the codes on paper
     *
     * @return bool whether what the device says is right
     */
    public function begin(Teacher $teacher, string $name, array $sent, array $recovery, Request $request): bool
    {
        $created = self::proof($request)->created($sent, $this->isOurs(...));
        if (null === $created) {
            return false;
        }
        $this->em->persist(
            new Passkey(Uuid::v7(), $teacher, $this->clock->now(), $created[0], $created[1], $name, $recovery),
        );
        $this->em->flush();

        return true;
    }

    public function end(Teacher $teacher, string $id): void
    {
        foreach ($this->of($teacher) as $one) {
            if ((string) $one->id === $id) {
                $this->em->persist(new PasskeyEnd($one->id, $this->clock->now()));
            }
        }
        $this->em->flush();
    }

    /**
     * Which of them signed.
     *
     * @param list<Passkey> $passkeys
     * @param array<string, mixed> $sent
     * @param \Closure(Passkey, string): bool $use whether a challenge of ours is used for the first time
     */
    public function isRight(array $passkeys, array $sent, Request $request, \Closure $use): bool
    {
        foreach ($passkeys as $one) {
            if (($sent['id'] ?? null) === $one->credential) {
                return self::proof($request)->isUseOf(
                    $one->publicKey,
                    $sent,
                    fn (string $challenge): bool => $this->isOurs($challenge) && $use($one, $challenge),
                );
            }
        }

        return false;
    }

    private static function proof(Request $request): PasskeyProof
    {
        return new PasskeyProof($request->getSchemeAndHttpHost(), $request->getHost());
    }

    private function seal(string $body): string
    {
        return substr(hash_hmac('sha256', "passkey $body", $this->secret, true), 0, self::SEAL_BYTES);
    }
}
