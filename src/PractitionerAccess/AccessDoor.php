<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\AccessDevice;
use LucidAscent\App\Entity\AccessKey;
use LucidAscent\App\Entity\AccessKeyEnd;
use LucidAscent\App\Entity\PinTry;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\OwnEntry\OwnCatalogue;
use LucidAscent\App\Repository\AskedPeople;
use LucidAscent\App\Security\OneAtATime;
use LucidAscent\App\Security\SignInThrottle;
use LucidAscent\App\Security\TeachersClock;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Uid\Uuid;

/**
 * The door to a practitioner's own page. A key opens it on the first device on which it is used; from then on it is
 * that device and a PIN. A key ends when it is revoked or expires, and a device when its PIN was wrong ten times.
 */
final readonly class AccessDoor
{
    public const WRONG_PINS = 10;
    private const DEVICE = 'ascent_own';
    private const OPEN = 'ascent_own_open';
    private const HOURS_OPEN = 12;
    /** Six digits and more, not one alone nor a run: what is kept on the device is kept by it. */
    private const PIN = '/^(?!(\d)\1+$)[0-9]{6,12}$/';
    private const RUNS = '01234567890 09876543210';
    private const LOCKED = 'door.locked';
    private const NOTHING = 'door.words.wrong';

    /** Tries to guess a key count against the address that they come from, as those to guess a password do. */
    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        private TeachersClock $teachersClock,
        private SignInThrottle $throttle,
        private OneAtATime $oneAtATime,
        private AskedPeople $people,
        private Catalogue $catalogue,
        private OwnCatalogue $own,
        #[Autowire('%env(APP_SECRET)%')]
        #[\SensitiveParameter]
        private string $secret,
    ) {
    }

    public static function isPin(string $pin): bool
    {
        return 1 === preg_match(self::PIN, $pin) && !str_contains(self::RUNS, $pin);
    }

    /** The key of the device that asks, whether it is open or not; null when this device has none that counts. */
    public function key(Request $request): ?AccessKey
    {
        $device = $this->device($request);

        return null === $device || $this->isLocked($device->id)
            ? null
            : $this->current('k.id = :value', $device->id->toBinary());
    }

    private function device(Request $request): ?AccessDevice
    {
        [$id, $token] = explode('.', $request->cookies->getString(self::DEVICE), 2) + ['', ''];
        $device = Uuid::isValid($id) ? $this->em->find(AccessDevice::class, Uuid::fromString($id)) : null;

        return $device instanceof AccessDevice && hash_equals($device->tokenHash, hash('sha256', $token))
            ? $device
            : null;
    }

    /**
     * Whose device it is, whether it is open, shut, locked, or its key has ended: for what hurts, and for that alone.
     * That is heard before anything else is asked.
     */
    public function whose(Request $request): ?Practitioner
    {
        $device = $this->device($request);
        $key = null === $device ? null : $this->em->find(AccessKey::class, $device->id);

        return $key?->practitioner;
    }

    /** Whose page is open on this device; null while it is shut. Days are the teacher's, and so is the catalogue. */
    public function opened(Request $request): ?Practitioner
    {
        $key = $this->key($request);
        [$until, $seal] = explode('.', $request->cookies->getString(self::OPEN), 2) + ['', ''];
        if (
            null === $key
            || !ctype_digit($until)
            || (int) $until < $this->clock->now()->getTimestamp()
            || !hash_equals($this->seal($key, $until), $seal)
        ) {
            return null;
        }
        $this->people->own($key->practitioner, $key->id);
        $teacher = $key->practitioner->teacher;
        $this->teachersClock->standIn($teacher);
        $this->catalogue->lay(fn (): array => $this->own->of($teacher));

        return $key->practitioner;
    }

    /**
     * The first use of a key: from now on it is this device, and this PIN.
     *
     * @return string|null what is wrong; null when it worked, and the response has the device's cookies
     */
    public function bind(
        #[\SensitiveParameter]
        string $typed,
        #[\SensitiveParameter]
        string $pin,
        Response $response,
        Request $request,
    ): ?string {
        if (!$this->throttle->allowsWords()) {
            return 'door.wait';
        }
        $key = $this->current('k.hash = :value', AccessSecret::hash($typed));
        if (null === $key) {
            $this->throttle->wrongWords();

            return self::NOTHING;
        }
        $token = bin2hex(random_bytes(32));
        try {
            $device = new AccessDevice(
                $key->id,
                $this->clock->now(),
                hash('sha256', $token),
                password_hash($pin, PASSWORD_DEFAULT),
            );
            if (null !== $this->em->find(AccessDevice::class, $key->id)) {
                return self::NOTHING;
            }
            $this->em->persist($device);
            $this->em->flush();
        } catch (UniqueConstraintViolationException) {
            return self::NOTHING;
        }
        $response->headers->setCookie($this->cookie(self::DEVICE, "$key->id.$token", $key->expiresAt, $request));
        $this->open($key, $response, $request);

        return null;
    }

    /** @return string|null what is wrong; null when it worked */
    public function unlock(
        AccessKey $key,
        #[\SensitiveParameter]
        string $pin,
        Response $response,
        Request $request,
    ): ?string {
        // Tries are counted one after another, however many come at once.
        $this->oneAtATime->hold("pin $key->id");
        $device = $this->em->find(AccessDevice::class, $key->id);
        if (!($device instanceof AccessDevice) || $this->isLocked($key->id)) {
            return self::LOCKED;
        }
        $isRight = password_verify($pin, $device->pinHash);
        $this->em->persist(new PinTry($key->id, $this->clock->now(), $isRight));
        $this->em->flush();
        if (!$isRight) {
            return self::WRONG_PINS <= $this->wrongPins($key->id) ? self::LOCKED : 'door.pin.wrong';
        }
        $this->open($key, $response, $request);

        return null;
    }

    public function shut(Response $response): void
    {
        $response->headers->clearCookie(self::OPEN, '/own');
    }

    /** A change comes from a page of this device, opened with its PIN. */
    public function token(Request $request): string
    {
        return hash_hmac(
            'sha256',
            'change '.$request->cookies->getString(self::DEVICE).$request->cookies->getString(self::OPEN),
            $this->secret,
        );
    }

    public function isTokenOf(Request $request): bool
    {
        return hash_equals(
            $this->token($request),
            $request->headers->get('X-Token') ?? $request->request->getString('_token'),
        );
    }

    /** With what a log waits on the device, encrypted: only the device's own open page is given it. */
    public function queueKey(AccessKey $key): string
    {
        return base64_encode(hash_hmac('sha256', "own logs $key->id", $this->secret, true));
    }

    /**
     * What waits on this device under a key that it had before: the same person's.
     *
     * @return list<array{owner: string, key: string}>
     */
    public function olderQueues(AccessKey $key): array
    {
        /** @var list<AccessKey> $keys */
        $keys = $this->em
            ->createQuery(
                'SELECT k FROM '.AccessKey::class.' k WHERE k.practitioner = :p AND k.id <> :key ORDER BY k.id',
            )
            ->setParameter('p', $key->practitioner->id, 'uuid')
            ->setParameter('key', $key->id, 'uuid')
            ->getResult();

        return array_map(
            fn (AccessKey $older): array => ['owner' => "own-$older->id", 'key' => $this->queueKey($older)],
            $keys,
        );
    }

    private function open(AccessKey $key, Response $response, Request $request): void
    {
        $until = $this->clock->now()->modify('+'.self::HOURS_OPEN.' hours');
        $response->headers->setCookie(
            $this->cookie(
                self::OPEN,
                $until->getTimestamp().'.'.$this->seal($key, (string) $until->getTimestamp()),
                $until,
                $request,
            ),
        );
    }

    private function cookie(string $name, string $value, \DateTimeImmutable $until, Request $request): Cookie
    {
        return Cookie::create(
            $name,
            $value,
            $until,
            '/own',
            secure: $request->isSecure(),
            httpOnly: true,
            sameSite: Cookie::SAMESITE_STRICT,
        );
    }

    private function seal(AccessKey $key, string $until): string
    {
        return hash_hmac('sha256', "open $key->id $until", $this->secret);
    }

    private function isLocked(Uuid $device): bool
    {
        return self::WRONG_PINS <= $this->wrongPins($device);
    }

    /** Since it was right the last time. */
    private function wrongPins(Uuid $device): int
    {
        $since = $this->em
            ->createQuery(
                'SELECT MAX(t.number) FROM '.PinTry::class.' t WHERE t.device = :d AND t.succeeded = true',
            )
            ->setParameter('d', $device, 'uuid')
            ->getSingleScalarResult();

        return (int) $this->em
            ->createQuery(
                'SELECT COUNT(t.id) FROM '.
                    PinTry::class.
                    ' t WHERE t.device = :d AND t.succeeded = false AND t.number > :since',
            )
            ->setParameter('d', $device, 'uuid')
            ->setParameter('since', (int) $since)
            ->getSingleScalarResult();
    }

    private function current(string $where, string $value): ?AccessKey
    {
        $key = $this->em
            ->createQuery(
                'SELECT k, p, t FROM '.
                    AccessKey::class.
                    " k JOIN k.practitioner p JOIN p.teacher t WHERE $where AND NOT EXISTS (SELECT 1 FROM ".
                    AccessKeyEnd::class.
                    ' e WHERE e.id = k.id)',
            )
            ->setParameter(
                'value',
                $value,
                16 === strlen($value)
                    ? \Doctrine\DBAL\ParameterType::BINARY
                    : \Doctrine\DBAL\ParameterType::STRING,
            )
            ->getOneOrNullResult();

        return $key instanceof AccessKey && $key->expiresAt > $this->clock->now() ? $key : null;
    }
}
