<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\App\Catalogue\StandardBody;
use LucidAscent\App\Exchange\Out;
use LucidAscent\App\Exchange\PersonBody;
use LucidAscent\App\Exchange\UnwrittenAnswer;
use LucidAscent\App\Figure\DrawnFigure;
use LucidAscent\App\Figure\FigureDocument;
use LucidAscent\App\Figure\FigureWords;
use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Figure\Size;
use LucidAscent\App\Figure\View;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Physique;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:draw', 'Draws a rung of the library, as SVG or in numbers.')]
final class DrawCommand extends Command
{
    private const LONGEST_BODY = 65536;

    public function __construct(private readonly Catalogue $catalogue, private readonly RungFigures $figures)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('posture', InputArgument::OPTIONAL, 'Which posture, by its id')
            ->addArgument('rung', InputArgument::OPTIONAL, 'Which rung or form of it, by its id')
            ->addOption('side', null, InputOption::VALUE_REQUIRED, 'The side that works: left or right', 'left')
            ->addOption(
                'view',
                null,
                InputOption::VALUE_REQUIRED,
                implode(', ', View::NAMES).'; the rung\'s best one where nothing is said',
            )
            ->addOption('size', null, InputOption::VALUE_REQUIRED, 'mark, strip, card or large', 'card')
            ->addOption(
                'body',
                null,
                InputOption::VALUE_REQUIRED,
                'A JSON file with the "body" of ascent:assess, or that body by itself',
            )
            ->addOption(
                'format',
                null,
                InputOption::VALUE_REQUIRED,
                'svg, or json: cm in the ground frame, the person\'s own left and right',
                'svg',
            )
            ->addOption(
                'all',
                null,
                InputOption::VALUE_REQUIRED,
                'Draw everything into this folder, as POSTURE.RUNG.svg',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $side =
                Side::tryFrom(self::option($input, 'side')) ?? throw new \DomainException('The side is left or right.');
            $size =
                Size::tryFrom(self::option($input, 'size')) ??
                throw new \DomainException('The size is mark, strip, card or large.');
            $format = self::option($input, 'format');
            in_array($format, ['svg', 'json'], true) || throw new \DomainException('The format is svg or json.');
            $view = $input->getOption('view');
            null === $view
                || (is_string($view) && in_array($view, View::NAMES, true))
                || throw new \DomainException(sprintf('The view is one of %s.', implode(', ', View::NAMES)));
            $body = self::body($input->getOption('body'));
            if (null !== $input->getOption('all')) {
                $this->all(self::option($input, 'all'), $body, $side, $size, $view, $format);

                return Command::SUCCESS;
            }
            $posture = $input->getArgument('posture');
            $rung = $input->getArgument('rung');
            (is_string($posture) && is_string($rung))
                || throw new \DomainException('Say which posture and which rung, or --all and a folder.');
            Out::line(
                $output,
                $this->drawn(
                    $this->figures->of($posture, $rung, $body, $side),
                    $format,
                    $size,
                    $view,
                    FigureWords::of($this->catalogue, $posture, $rung, $side->value),
                ),
            );
        } catch (UnwrittenAnswer $e) {
            self::complain($output, $e->getMessage());

            return 1;
        } catch (\DomainException|\OutOfBoundsException|InvalidValue $e) {
            self::complain($output, $e->getMessage());

            return 2;
        }

        return Command::SUCCESS;
    }

    private function all(string $folder, Physique $body, Side $side, Size $size, ?string $view, string $format): void
    {
        is_dir($folder)
            || @mkdir($folder, 0o777, true)
            || throw new \DomainException(sprintf('There is no folder %s, and none can be made there.', $folder));
        foreach ($this->catalogue->all(Kind::Posture) as $id => $posture) {
            foreach (Shapes::of($posture) as $shape) {
                $text = $this->drawn(
                    $this->figures->of($id, $shape['id'], $body, $side),
                    $format,
                    $size,
                    $view,
                    FigureWords::of($this->catalogue, $id, $shape['id'], $side->value),
                );
                $file = "$folder/$id.{$shape['id']}.$format";
                false !== @file_put_contents($file, $text."\n")
                    || throw new \DomainException(sprintf('%s cannot be written.', $file));
            }
        }
    }

    private function drawn(DrawnFigure $figure, string $format, Size $size, ?string $view, string $words): string
    {
        return 'json' === $format ? Out::json(FigureDocument::of($figure)) : $figure->svg($size, $view, $words, true);
    }

    private static function body(mixed $file): Physique
    {
        if (null === $file) {
            return Physique::of(Proportions::of(Length::cm(StandardBody::STATURE)));
        }
        $text = is_string($file) ? @file_get_contents($file, length: self::LONGEST_BODY) : false;
        false !== $text
            || throw new \DomainException(sprintf('The body %s cannot be read.', is_string($file) ? $file : ''));
        try {
            $fields = Fields::of(json_decode($text, true, 32, JSON_THROW_ON_ERROR), 'body');
        } catch (\JsonException $e) {
            throw new \DomainException(sprintf('The body is no JSON: %s.', $e->getMessage()), 0, $e);
        }

        return Physique::of(PersonBody::of($fields->has('body') ? $fields->object('body') : $fields));
    }

    private static function option(InputInterface $input, string $name): string
    {
        $value = $input->getOption($name);

        return is_string($value) ? $value : '';
    }

    private static function complain(OutputInterface $output, string $message): void
    {
        ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln(
            $message,
            OutputInterface::OUTPUT_RAW,
        );
    }
}
