<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Text\Languages;
use LucidAscent\App\Text\PseudoLanguage;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Finder\Finder;
use Symfony\Component\Yaml\Yaml;

/** Files of a language that nobody speaks, made of the English ones: they show what cannot be translated. */
#[AsCommand(
    'ascent:pseudo-language',
    'Makes a pseudo-language from the English texts: accented letters, longer words.',
)]
final class PseudoLanguageCommand extends Command
{
    private const LOCALE = PseudoLanguage::LOCALE;
    /** Parts of an entry of the catalogue that are codes, whatever they look like. */
    private const CODES = ['unit', 'figure', 'formula', 'pose', 'source', 'demand'];
    /** Parts that are nothing but texts. */
    private const TEXTS = ['relations', 'also'];
    /** What people call a caution is recognised in what they write, in English. */
    private const CALLED = ['also'];

    public function __construct(
        #[Autowire('%kernel.project_dir%')]
        private readonly string $root,
        private readonly Filesystem $files,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('remove', null, InputOption::VALUE_NONE, 'Take the files away again.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $scripts = "$this->root/public/assets/texts/".Languages::tag(self::LOCALE).'.js';
        $this->files->remove([
            ...glob("$this->root/translations/*.".self::LOCALE.'.*') ?: [],
            $scripts,
            "$this->root/catalogue/locale/".self::LOCALE,
        ]);
        if (true === $input->getOption('remove')) {
            $output->writeln('The pseudo-language is gone.');

            return Command::SUCCESS;
        }
        foreach (glob("$this->root/translations/*.en.yaml") ?: [] as $file) {
            $isIcu = str_contains($file, '+intl-icu');
            $make = $isIcu ? PseudoLanguage::message(...) : PseudoLanguage::plain(...);
            $made = self::each(Yaml::parseFile($file), $make);
            $this->write(str_replace('.en.', '.'.self::LOCALE.'.', $file), Yaml::dump($made, 8));
        }
        $texts = json_decode((string) file_get_contents("$this->root/translations/script.en.json"), true);
        $made = self::each($texts, PseudoLanguage::message(...));
        $this->write(
            $scripts,
            'export default '.json_encode($made, JSON_UNESCAPED_UNICODE).";\n",
        );
        $all = Finder::create()->files()->in("$this->root/catalogue")->name('*.yaml')->exclude(['locale', 'schema']);
        foreach ($all as $file) {
            $this->write(
                "$this->root/catalogue/locale/".self::LOCALE.'/'.$file->getRelativePathname(),
                Yaml::dump(
                    self::entry(
                        Yaml::parseFile($file->getPathname()),
                        str_starts_with($file->getRelativePath(), 'cautions') ? [...self::CODES, ...self::CALLED]
                            : self::CODES,
                    ),
                    12,
                ),
            );
        }
        $output->writeln('The pseudo-language is made.');

        return Command::SUCCESS;
    }

    /** Read by whoever serves pages, whoever made it. */
    private function write(string $file, string $text): void
    {
        $this->files->dumpFile($file, $text);
        $this->files->chmod([dirname($file)], 0o755);
        $this->files->chmod([$file], 0o644);
    }

    /**
     * @param array<mixed>              $texts
     * @param \Closure(string): string $make
     *
     * @return array<mixed>
     */
    private static function each(array $texts, \Closure $make): array
    {
        return array_map(
            static fn (mixed $one): mixed => is_array($one) ? self::each($one, $make)
                : (is_string($one) ? $make($one) : $one),
            $texts,
        );
    }

    /**
     * Texts of an entry are names, what begins with a capital letter, and whatever has more than a word.
     *
     * @param array<mixed> $entry
     * @param list<string> $codes parts of it that are none
     * @param bool $isText whether all of it is
     *
     * @return array<mixed>
     */
    private static function entry(array $entry, array $codes, bool $isText = false): array
    {
        foreach ($entry as $key => $value) {
            if (in_array($key, $codes, true)) {
                continue;
            }
            if (is_array($value)) {
                // What is measured goes by a name of the program.
                $entry[$key] = self::entry(
                    $value,
                    'measured' === $key ? [...$codes, 'name'] : $codes,
                    in_array($key, self::TEXTS, true) || ($isText && !array_is_list($entry)),
                );
            } elseif (
                is_string($value)
                && ($isText
                    || 'name' === $key
                    || str_contains(trim($value), ' ')
                    || 1 === preg_match('/^[A-Z][a-z]/', $value))
            ) {
                $entry[$key] = PseudoLanguage::plain($value);
            }
        }

        return $entry;
    }
}
