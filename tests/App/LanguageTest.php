<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Command\PseudoLanguageCommand;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Text\Languages;
use LucidAscent\App\Text\PseudoLanguage;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Filesystem\Filesystem;

/** Who reads decides in which language, and how numbers are written. */
final class LanguageTest extends AppTestCase
{
    public function testATeacherChoosesTheLanguageAndTheDecimalSign(): void
    {
        $teacher = $this->teacher();
        $practitioner = $this->practitioner($teacher);
        $this->tested($practitioner);
        $this->client->loginUser($teacher);
        $home = "/practitioners/$practitioner->id";
        self::assertMatchesRegularExpression('/\d\.\d\x{a0}?\s?cm/u', $this->shown($home));
        $this->client->request('GET', '/account');
        self::assertSelectorTextContains('#language_form_locale', 'English, 12,5 cm');
        $this->client->submitForm('Save language', ['language_form[locale]' => 'en_DE']);
        $this->client->followRedirect();
        self::assertSelectorExists('html[lang="en-DE"]');
        self::assertMatchesRegularExpression('/\d,\d\x{a0}?\s?cm/u', $this->shown($home));
        self::assertDoesNotMatchRegularExpression('/\d\.\d\x{a0}?\s?cm/u', $this->shown($home));
        // Nothing but what there is.
        $form = $this->client->request('GET', '/account')->selectButton('Save language')->form();
        $this->client->request('POST', '/account', ['language_form' => ['locale' => 'xx']] + $form->getPhpValues());
        $this->em()->clear();
        self::assertSame('en_DE', $this->em()->find(Teacher::class, $teacher->id)?->locale());
        // Somebody else reads as before.
        $other = $this->teacher('other@studio.example');
        $this->client->loginUser($other);
        $this->client->request('GET', '/account');
        self::assertSelectorExists('html[lang="en"]');
    }

    public function testALanguageThatIsNotThereAnyMoreIsReadInEnglish(): void
    {
        $languages = self::getContainer()->get(Languages::class);
        self::assertSame('en', $languages->known('xx'));
        self::assertSame('en', $languages->known(null));
        self::assertSame('en_DE', $languages->known('en_DE'));
        $teacher = $this->teacher();
        $teacher->speak('xx');
        $this->em()->flush();
        $this->client->loginUser($teacher);
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('h1', 'Today');
    }

    /** @return iterable<string, array{string, string}> */
    public static function messages(): iterable
    {
        yield 'text' => ['Save it.', 'Sáavée íit.'];
        yield 'a name' => ['Hello {name}, on', 'Héellóo {name}, óoñ'];
        yield 'a number' => ['{cm, number} cm', '{cm, number} çm'];
        yield 'a choice' => ['{n, plural, =0 {none} one {# set} other {# sets of {what}}}.',
            '{n, plural, =0 {ñóoñée} one {# šéet} other {# šéetš óof {what}}}.'];
    }

    #[DataProvider('messages')]
    public function testThePseudoLanguageLeavesWhatIsNoText(string $english, string $pseudo): void
    {
        self::assertSame($pseudo, PseudoLanguage::message($english));
    }

    /** Made in a folder of its own: the catalogue is read in it, and checks. */
    public function testItsFilesAreMadeAndTheCatalogueIsReadInThem(): void
    {
        $root = sys_get_temp_dir().'/pseudo-'.getmypid();
        $files = new Filesystem();
        $project = dirname(__DIR__, 2);
        try {
            foreach (['catalogue', 'translations'] as $folder) {
                $files->mirror("$project/$folder", "$root/$folder");
            }
            $tester = new CommandTester(new PseudoLanguageCommand($root, $files));
            self::assertSame(0, $tester->execute([]));
            foreach (['translations/messages+intl-icu.en_XA.yaml', 'translations/guide.en_XA.yaml',
                'public/assets/texts/en-XA.js'] as $file) {
                self::assertStringContainsString('ée', (string) file_get_contents("$root/$file"), $file);
            }
            $catalogue = new Catalogue("$root/catalogue", "$root/kept.php", false, 'en');
            $catalogue->setLocale('en_XA');
            self::assertSame('Píigéeóoñ', $catalogue->names(Kind::Posture)['pigeon']);
            $catalogue->setLocale('en_DE');
            self::assertSame('Pigeon', $catalogue->names(Kind::Posture)['pigeon']);
            self::assertSame(0, $tester->execute(['--remove' => true]));
            self::assertFileDoesNotExist("$root/translations/guide.en_XA.yaml");
            self::assertFileExists("$root/translations/guide.en.yaml");
        } finally {
            $files->remove($root);
        }
    }

    private function shown(string $home): string
    {
        return $this->client->request('GET', "$home/ladder/half-lotus")->filter('main')->text()
            .$this->client->request('GET', "$home/poses/half-lotus")->filter('main')->text();
    }
}
