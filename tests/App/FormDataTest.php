<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Form\Data\BodyData;
use LucidAscent\App\Form\Data\PainData;
use LucidAscent\App\Form\Type\CentimetreType;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\Validator\ConstraintViolationInterface;
use Symfony\Component\Validator\Validator\ValidatorInterface;

final class FormDataTest extends AppTestCase
{
    #[DataProvider('lengths')]
    public function testALengthIsReadWithPointOrComma(string $typed, ?float $cm, bool $isRead): void
    {
        $form = self::getContainer()->get(FormFactoryInterface::class)->create(CentimetreType::class);
        $form->submit($typed);
        self::assertSame($isRead, $form->isSynchronized());
        if ($isRead) {
            self::assertSame($cm, $form->getData());
        } else {
            self::assertSame($typed, $form->getViewData(), 'what was typed stays in the field');
        }
    }

    public static function lengths(): iterable
    {
        yield ['12', 12.0, true];
        yield ['12.5', 12.5, true];
        yield ['12,5', 12.5, true];
        yield [' 7 ', 7.0, true];
        yield ['', null, true];
        yield ['-3', -3.0, true];
        yield ['1,200.5', null, false];
        yield ['twelve', null, false];
        yield ['1e3', null, false];
        yield ['0x10', null, false];
        yield ['NaN', null, false];
        yield ['12 cm', null, false];
    }

    #[DataProvider('pains')]
    public function testPainIsAskedWhole(?int $level, PainPlace $place, ?string $path): void
    {
        $data = new PainData();
        $data->level = $level;
        $data->place = $place;
        $paths = $this->paths($data);
        self::assertSame(null === $path ? [] : [$path], $paths);
    }

    public static function pains(): iterable
    {
        yield 'not asked' => [null, PainPlace::None, 'level'];
        yield 'none' => [0, PainPlace::None, null];
        yield 'without a place' => [3, PainPlace::None, 'place'];
        yield 'a place and no level' => [0, PainPlace::Knee, 'level'];
        yield 'whole' => [3, PainPlace::Groin, null];
        yield 'more than ten' => [11, PainPlace::Groin, 'level'];
    }

    public function testPainComesBackAsItWas(): void
    {
        $data = new PainData();
        [$data->level, $data->place, $data->kind] = [4, PainPlace::Groin, PainKind::Pinching];
        self::assertEquals($data, PainData::of($data->pain()));
    }

    public function testABodyIsDoubtedUntilItIsConfirmed(): void
    {
        $data = new BodyData();
        self::assertSame(['stature'], $this->paths($data));
        $data->stature = 170.0;
        $data->shinLeft = 41.0;
        $data->shinRight = 45.0;
        self::assertSame(['shinRight'], $this->paths($data));
        $data->confirmed = true;
        self::assertSame([], $this->paths($data));
        self::assertSame(['shin.right' => 'Left and right differ by 4.0 cm.'], $data->doubts());
        self::assertSame(['shin.left' => 41.0, 'shin.right' => 45.0], $data->lengths());
        $data->hipSpacing = -1.0;
        self::assertContains('hipSpacing', $this->paths($data));
    }

    /** @return list<string> */
    private function paths(object $data): array
    {
        return array_map(
            static fn (ConstraintViolationInterface $violation): string => $violation->getPropertyPath(),
            iterator_to_array(self::getContainer()->get(ValidatorInterface::class)->validate($data), false),
        );
    }
}
