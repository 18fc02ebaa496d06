<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Words;

/**
 * The words that people use when something hurts or is the matter, in English. Each is the whole of a word, written as
 * part of a regular expression; hyphens are blanks. A list that is too long asks for nothing; one that is too short
 * lets somebody go on.
 */
final class Vocabulary
{
    /** What hurts, or is numb, or gives way. */
    public const PAIN = [
        'hurt(?:s|ing)?',
        'pain(?:s|ful|fully|ed)?',
        'ach(?:e|es|ed|ing|y)',
        'sore(?:r|ness)?',
        'sharp(?:ly)?',
        'stab(?:s|bed|bing)?',
        'burn(?:s|ed|ing|t)?',
        'pinch(?:es|ed|ing|y)?',
        'sting(?:s|ing)?',
        'stung',
        'throb(?:s|bed|bing)?',
        'twinge(?:s|d)?',
        'niggle(?:s|d)?',
        'tender(?:ness)?',
        'swell(?:s|ing|ed)?',
        'swollen',
        'inflam(?:ed|mation)',
        'numb(?:ness)?',
        'tingl(?:e|es|ed|ing|y)',
        'pins and needles',
        'give(?:s|n)? way',
        'giving way',
        'gave way',
        'buckl(?:e|es|ed|ing)',
        'lock(?:s|ed|ing)(?: up)?',
        'agon(?:y|ising|izing)',
        'ouch',
    ];

    /** What somebody has, or had. */
    public const CONDITION = [
        'injur(?:y|ies|ed)',
        'torn',
        'tore',
        'tear(?:s)?',
        'rupture(?:d)?',
        'sprain(?:s|ed)?',
        'strained',
        'fracture(?:s|d)?',
        'broke(?:n)?',
        'dislocat(?:ed|ion)',
        'operat(?:ed|ion|ions)',
        'surger(?:y|ies)',
        'surgical(?:ly)?',
        'replac(?:ed|ement|ements)',
        'prosthes(?:is|es)',
        'arthroscop(?:y|ies)',
        'menisc(?:us|i|al)',
        'acl|mcl|pcl|lcl',
        'ligament(?:s)?',
        'syndrome(?:s)?',
        'disease(?:s)?',
        'tendin(?:itis|opathy|osis)|tendonitis',
        'bursitis',
        'arthr(?:itis|osis|itic|otic)|osteoarthritis',
        'worn joint(?:s)?',
        'labr(?:um|al)',
        'impingement|fai',
        'dysplasia',
        'sciatica|sciatic',
        '(?:slipped|herniated|bulging|prolapsed) dis[ck](?:s)?',
        'herniat(?:ed|ion)',
        'hernia(?:s)?',
        'spondylo(?:sis|lysis|listhesis)',
        'osteoporo(?:sis|tic)|osteopenia',
        'pregnan(?:t|cy)',
        'expecting a (?:baby|child)',
        'gave birth|given birth|postpartum|post partum',
        'concuss(?:ed|ion)',
        'glaucoma',
        'high blood pressure|hypertension',
        'hypermobil(?:e|ity)',
        'blood thinner(?:s)?|anticoagulant(?:s)?',
    ];

    /** What many have and what hurts nobody by itself: in the present, for what snapped once is no such thing. */
    public const HARMLESS = [
        'click(?:s|ing|y)?',
        'pop(?:s|ping)',
        'crack(?:s|ing|les?|ling)',
        'snap(?:s|ping)',
        'creak(?:s|ing|y)?',
        'clunk(?:s|ing|y)?',
        '(?:hips|knees|ankles|shoulders|wrists|joints) (?:crack|pop|snap)',
        '(?:it|iliotibial) band(?:s)?',
        'itb',
    ];

    /** What may stand beside that and tells of no more: where, when, how often, and that it is painless. */
    public const BESIDE_HARMLESS = [
        'a|an|the|my|his|her|their|it|i|and|or|in|on|of|at|with|when|while|after|during|is|are|has|have',
        'both|left|right|l|r|inner|outer|side(?:s)?',
        'hip(?:s)?|knee(?:s)?|ankle(?:s)?|shoulder(?:s)?|wrist(?:s)?|neck|back|joint(?:s)?|thigh(?:s)?',
        'bit|little|slight(?:ly)?|sometimes|often|always|occasional(?:ly)?',
        'tight(?:ness)?|painless(?:ly)?|noise(?:s)?|sound(?:s)?',
        'squat(?:s|ting)?|sit(?:s|ting)?|walk(?:s|ing)?|stand(?:s|ing)?',
    ];

    /** A word that says the opposite of what follows it, or of what comes before it. */
    public const NOT = 'no|not|non|never|without|nor|neither|none|nothing|nowhere|zero|free (?:of|from)|'
        .'(?:does|did|do|is|was|are|were|has|have|had)n t|cannot|can t';

    /** What may stand between that and what it denies. */
    public const BETWEEN = 'a|an|any|anything|at all|in|on|of|the|my|his|her|their|either|both|real|actual|new|such|'
        .'particular|even|felt|feel|feels|feeling|have|had|has|is|was|been|being|complain(?:s|ed|t|ts) of|sign(?:s)? of|'
        .'left|right|inner|outer|front|back|low|lower|upper|knee(?:s)?|hip(?:s)?|groin|neck|shoulder(?:s)?|wrist(?:s)?|'
        .'ankle(?:s)?|thigh(?:s)?|calf|calves|joint(?:s)?|spine|sacrum|tailbone|sharp|dull|burning|pain(?:s)?|ache(?:s)?|'
        .'soreness|numbness|tingling|pinching|swelling|or|and';

    /** What may stand after something that is denied: "pain free", "pain: none". */
    public const DENIED_AFTER = 'free|none|nil|no|zero|0|not at all|nowhere';

    /** What says that it was once, and may be still: that asks. */
    public const DOUBT = 'no longer|not any ?more|no more|not yet|not (?:quite|fully|completely|really|entirely)|never (?:quite|fully)|'
        .'used to|healed|recovered|better now|gone now|went away|old|previous(?:ly)?|former(?:ly)?|ago|sometimes|almost|hardly|barely';

    /** Answers that are whole in themselves, and say that nothing is the matter. */
    public const NOTHING = ['', 'no', 'none', 'nil', 'n a', 'na', 'not applicable', 'nothing', 'nothing to report',
        'nothing special', 'nothing new', 'healthy', 'all healthy', 'fine', 'all fine', 'ok', 'okay', 'all good',
        'good', 'well', 'all well', 'nope', 'not that i know', 'never', 'painless', '0', '-'];

    /** @var array<string, list<string>> words for a part of the body, by what is held when they are named */
    public const PLACES = [
        'knee' => ['knee(?:s|cap|caps)?', 'menisc(?:us|i|al)', 'acl|mcl|pcl|lcl', 'patella(?:r)?'],
        'hip' => ['hip(?:s)?', 'groin(?:s)?', 'labr(?:um|al)', 'impingement|fai', 'dysplasia', 'buttock(?:s)?'],
        'back' => ['back', 'low back', 'lower back', 'lumbar', 'spine', 'spinal', 'dis[ck](?:s)?', 'sciatica|sciatic',
            'sacr(?:um|al|oiliac)', 'tailbone', 'coccyx', 'spondylo(?:sis|lysis|listhesis)'],
        'neck' => ['neck', 'cervical', 'whiplash'],
        'pregnancy' => ['pregnan(?:t|cy)', 'expecting a (?:baby|child)'],
    ];
}
