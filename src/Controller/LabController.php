<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\ContactList;
use LucidAscent\App\Entity\LabSetup;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Lab\LabAnswer;
use LucidAscent\App\Lab\LabCapacity;
use LucidAscent\App\PageCache\CachedParts;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\SetUp;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The pose lab: change seat, blocks and angles, and see at once what the posture asks of this person. */
final class LabController extends TeacherController
{
    public const TOKEN = 'lab';
    /** What is set up when nothing was asked for. */
    private const FIRST = 'half-lotus-easy';

    public function __construct(private readonly ReadPerson $person, private readonly CachedParts $parts)
    {
    }

    #[Route('/practitioners/{id}/lab', 'lab', methods: ['GET'])]
    public function lab(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        if (null === $this->records->body($practitioner)) {
            $this->addFlash('hint', 'lab.body_first');

            return $this->redirectToRoute('body', ['id' => $id]);
        }

        $asked = $request->query->getString('posture');

        return $this->render('lab.html.twig', [
            'practitioner' => $practitioner,
            'holds' => $this->person->now($practitioner)->person->holds->active ?? [],
            'postures' => ContactList::toSetUp(),
            'posture' => isset(ContactList::toSetUp()[$asked]) ? $asked : self::FIRST,
            'side' => Side::tryFrom($request->query->getString('side')) ?? Side::Left,
            'values' => array_filter($request->query->all('v'), is_numeric(...)),
            'blanket' => LabAnswer::BLANKET,
            'setups' => $this->records->setups($practitioner),
            'token' => self::TOKEN,
            'entry' => Uuid::v7(),
        ]);
    }

    #[Route('/practitioners/{id}/lab/{side}', 'lab_answer', requirements: ['side' => 'left|right'], methods: ['POST'])]
    public function answer(string $id, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        // A slider asks again and again; what is known of the person stays as it is meanwhile.
        $known = $this->parts->ofPerson(
            "lab $side->value",
            $practitioner,
            fn (): ?array => null === $this->records->body($practitioner)
                ? null
                : [$this->records->body($practitioner)->proportions(), $this->known($practitioner, $side)],
        );
        if (null === $known) {
            return new JsonResponse(
                ['error' => ['code' => 'bad-input', 'message' => 'The body has not been measured.']],
                409,
            );
        }
        $question = JsonText::decode($request->getContent());

        return new JsonResponse(LabAnswer::to($question, $side, ...$known));
    }

    #[Route(
        '/practitioners/{id}/lab/{side}/keep',
        'lab_keep',
        requirements: ['side' => 'left|right'],
        methods: ['POST'],
    )]
    public function keep(string $id, Side $side, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $proportions = $this->records->body($practitioner)?->proportions() ?? throw $this->createNotFoundException();
        try {
            $posture = $request->request->getString('posture');
            $contact = isset(ContactList::toSetUp()[$posture]) ? Contacts::find($posture) : null;
            if (null === $contact) {
                throw InvalidValue::because('posture', 'is not known.');
            }
            $sent = Fields::of(
                array_map(
                    static fn (mixed $v): mixed => is_numeric($v) ? (float) $v : $v,
                    $request->request->all('values'),
                ),
            );
            $values = [];
            foreach ($contact::about()->controls as $control) {
                $values[$control->name] = $sent->number($control->name);
            }
            // Only what can be made is kept.
            $contact::of(
                new SetUp(
                    Fields::of($values),
                    capacity: $this->known($practitioner, $side)->capacity,
                    upper: $proportions->upper($side),
                ),
            )
                ->angles($proportions->body($side));
        } catch (\DomainException $e) {
            $this->addFlash('hint', $this->say('lab.refused', ['reason' => $e->getMessage()]));

            return $this->redirectToRoute('lab', ['id' => $id, 'side' => $side->value]);
        }
        $entry = SentEntry::id($request->request->getString('entry'));
        $isNew = !$this->records->knows(LabSetup::class, $entry);
        if ($isNew) {
            $this->records->add(
                new LabSetup($entry, $practitioner, $this->teacher(), $side, $posture, $values, $this->clock->now()),
            );
        }
        $this->sayRecorded($isNew, 'lab.set_up.saved');

        return $this->redirectToRoute('lab', [
            'id' => $id,
            'side' => $side->value,
            'posture' => $posture,
            'v' => $values,
        ]);
    }

    private function known(Practitioner $practitioner, Side $side): LabCapacity
    {
        return LabCapacity::of(
            $this->person->now($practitioner)->person ?? throw $this->createNotFoundException(),
            $side,
        );
    }
}
